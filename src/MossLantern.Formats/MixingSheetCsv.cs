using System.Globalization;
using CsvHelper;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;

namespace MossLantern.Formats;

/// <summary>A mixing sheet as a table: one row for everything that is measured, in working order.</summary>
/// <remarks>Source: docs/formats.md, The mixing sheet.</remarks>
public static class MixingSheetCsv
{
    /// <summary>A row; nothing stands where nothing is known or measured.</summary>
    private sealed record Row(int? Batch, string What, string Name, double? Ml, double? G, string? From,
        double? MinutesInHand, double? BeginMinutes);

    /// <summary>Writes a sheet as UTF-8 text with a header; names of columns carry their unit.</summary>
    public static string Write(MixingSheet sheet)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var name in (string[])["batch", "what", "name", "ml", "g", "from", "minutes_in_hand", "begin_minutes"])
            {
                csv.WriteField(name);
            }

            csv.NextRecord();
            foreach (var row in sheet.Laid.Select(Of).Concat(sheet.Batches.SelectMany(Rows)))
            {
                csv.WriteField(row.Batch);
                csv.WriteField(row.What);
                csv.WriteField(Safe(row.Name));
                csv.WriteField(Told(row.Ml, 1));
                csv.WriteField(ToStep(row.G, sheet.ScaleStepG));
                csv.WriteField(row.From is { } from ? Safe(from) : null);
                csv.WriteField(Told(row.MinutesInHand, 0));
                csv.WriteField(Told(row.BeginMinutes, 0));
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>What is laid comes first, in no batch: tape with its width, beads with their tubes.</summary>
    private static Row Of(SheetLaid laid)
    {
        string?[] says = [laid.Name, laid.LengthMm is { } mm ? FormattableString.Invariant($"{mm:0} mm") : null,
            laid.WidthMm is { } wide ? FormattableString.Invariant($"{wide:0} mm wide") : null,
            laid.Tubes is { } tubes ? FormattableString.Invariant($"{tubes:0.##} tubes") : null];
        return new(null, laid.What, string.Join(", ", says.OfType<string>()), laid.Ml, laid.G, null, null, null);
    }

    private static IEnumerable<Row> Rows(SheetBatch batch)
    {
        yield return new(batch.Number, "resin", "resin", batch.ResinMl, batch.ResinG, null, null, batch.StartMinutes);
        yield return new(batch.Number, "hardener", "hardener", batch.HardenerMl, batch.HardenerG, null, null, null);
        foreach (var cup in batch.Cups)
        {
            if (cup.Draws.IsEmpty)
            {
                yield return new(batch.Number, "cup", cup.Name, cup.Ml, cup.G,
                    batch.Alone ? null : $"batch {batch.Number}", cup.InHandMinutes, null);
            }

            foreach (var draw in cup.Draws)
            {
                yield return new(batch.Number, "cup", cup.Name, draw.Ml, null, draw.Name, null, null);
            }

            foreach (var dose in cup.Doses)
            {
                yield return new(batch.Number, "colourant", dose.Name, null, dose.G?.Value, cup.Name, null, null);
            }
        }
    }

    /// <summary>A name that begins like a formula would be worked out by the program that opens the table.</summary>
    private static string Safe(string text) => text is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? $"'{text}" : text;

    /// <summary>No finer than a tool resolves; what is less than a step of it is told as it is, as it is measured otherwise.</summary>
    private static string? ToStep(double? value, double step) =>
        value is not { } known ? null : known < step ? Told(known, 2) : Told(Math.Round(known / step) * step, 3);

    private static string? Told(double? value, int decimals) =>
        value is { } known ? Math.Round(known, decimals).ToString(CultureInfo.InvariantCulture) : null;
}
