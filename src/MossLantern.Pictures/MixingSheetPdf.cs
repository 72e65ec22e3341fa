using System.Globalization;
using MossLantern.Core.Mixing;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using SkiaSharp;
using static MossLantern.Pictures.Print;

namespace MossLantern.Pictures;

/// <summary>The units that a sheet is written in.</summary>
public enum SheetUnits
{
    /// <summary>Millilitres, grams, degrees Celsius.</summary>
    Metric,

    /// <summary>Fluid ounces, grams, degrees Fahrenheit.</summary>
    Us,
}

/// <summary>A mixing sheet on one page, in letters that are read on a wall from a metre away.</summary>
/// <remarks>Source: docs/formats.md, The mixing sheet.</remarks>
public static class MixingSheetPdf
{
    /// <summary>Height of a row where there is room for it, and at least, mm.</summary>
    private const float RowMm = 17, LeastRowMm = 4.2f;

    private const float BorderMm = 12, HeadMm = 30, FootMm = 14;

    /// <summary>A fluid ounce, ml; less than one is written in millilitres.</summary>
    private const double FluidOunceMl = 29.5735295625;

    /// <summary>Writes a sheet.</summary>
    /// <param name="sheet">What is mixed.</param>
    /// <param name="paper">The paper.</param>
    /// <param name="units">The units.</param>
    public static byte[] Write(MixingSheet sheet, Paper paper, SheetUnits units)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        var (width, height) = SizeOf(paper);
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream,
            new SKDocumentPdfMetadata { Title = $"{sheet.Piece}, {sheet.Sitting}: mixing sheet" }))
        {
            var canvas = document.BeginPage((float)width * PointsPerMm, (float)height * PointsPerMm);
            canvas.Scale(PointsPerMm);
            Page(canvas, sheet, (float)width, (float)height, units);
            document.EndPage();
            document.Close();
        }

        return stream.ToArray();
    }

    private static void Page(SKCanvas canvas, MixingSheet sheet, float width, float height, SheetUnits units)
    {
        Fitted(canvas, sheet.Piece, BorderMm, 20, 9, Bold, width - 2 * BorderMm);
        Fitted(canvas, $"{sheet.Sitting} · {sheet.Resin}, {Number(sheet.WorkingMinutes)} min for 100 g in a cup",
            BorderMm, 27, 4.4f, Plain, width - 2 * BorderMm);

        // A batch takes a row and a half for its own line.
        var rows = sheet.Batches.Sum(b => 1.5f + b.Cups.Length);
        var row = Math.Clamp((height - HeadMm - FootMm - BorderMm) / Math.Max(1, rows), LeastRowMm, RowMm);
        var y = HeadMm + 2;
        foreach (var batch in sheet.Batches)
        {
            Batch(canvas, sheet, batch, y, row, width, units);
            y += 1.5f * row;
            foreach (var cup in batch.Cups)
            {
                Cup(canvas, sheet, batch, cup, y, row, width, units);
                y += row;
            }
        }

        if (!sheet.Laid.IsEmpty)
        {
            var alike = sheet.Laid.GroupBy(l => (l.What, l.WidthMm, l.What == "granules" ? l.Name : ""));
            Fitted(canvas, $"To lay: {string.Join(" · ", alike.Select(g => Told([.. g], units)))}", BorderMm, height - 14, 3.6f, Plain,
                width - 2 * BorderMm);
        }

        Fitted(canvas, "Gloves, eye protection, fresh air. The data sheet of the resin wins over this page. Tick what is done.", BorderMm,
            height - 8, 3.6f, Plain, width - 2 * BorderMm);
    }

    /// <summary>Things of a kind that are laid, together, in a few words: what is not known of one is left out.</summary>
    private static string Told(IReadOnlyList<SheetLaid> alike, SheetUnits units)
    {
        double? Sum(Func<SheetLaid, double?> of) => alike.All(l => of(l) is not null) ? alike.Sum(of) : null;
        var first = alike[0];
        string?[] amounts = [first.WidthMm is { } wide ? $"{Number(wide)} mm" : null,
            Sum(l => l.LengthMm) is { } mm ? Length(mm, units) : null,
            Sum(l => l.G) is { } g ? $"{Number(g)} g" : Sum(l => l.Ml) is { } ml ? Volume(ml, units) : null,
            Sum(l => l.Tubes) is { } tubes ? Tubes(Math.Ceiling(tubes - 1e-9)) : null];
        return $"{(alike.Count > 1 ? $"{alike.Count} × " : "")}{first.What} {(first.What == "granules" ? first.Name + " " : "")}"
            + string.Join(", ", amounts.OfType<string>());
    }

    private static string Tubes(double whole) => whole is 1 ? "a tube" : $"{Number(whole)} tubes";

    private static string Length(double mm, SheetUnits units) =>
        units == SheetUnits.Us ? $"{Number(mm / 25.4, 1)} in" : $"{Number(mm / 1000, 2)} m";

    private static void Batch(SKCanvas canvas, MixingSheet sheet, SheetBatch batch, float y, float row, float width, SheetUnits units)
    {
        using var paint = new SKPaint { Color = new(223, 227, 214), Style = SKPaintStyle.Fill };
        canvas.DrawRect(new(BorderMm, y + 0.1f * row, width - BorderMm, y + 1.4f * row), paint);
        var amounts = sheet.ByWeight ? (batch.ResinG, batch.HardenerG) : (batch.ResinMl, batch.HardenerMl);
        string Part(double value) => sheet.ByWeight ? $"{Number(value, 1)} g" : Volume(value, units);
        var line = $"{batch.Number}   resin {Part(amounts.Item1)}  +  hardener {Part(amounts.Item2)}";
        Fitted(canvas, line, BorderMm + 2, y + 0.78f * row, 0.6f * row, Bold, width - 2 * BorderMm - 44);
        Text(canvas, Volume(batch.MixMl, units), width - BorderMm - 2, y + 0.78f * row, 0.5f * row, Plain, SKTextAlign.Right);
        var when = batch.LatestMinutes is { } latest
            ? $"Begin {Number(batch.StartMinutes)} min after the first, at the latest {Number(Math.Max(latest, 0))}. "
            : "";
        var left = batch.GelMinutes is { } gel ? $"Left standing: gels after {Number(gel)} min, {Celsius(batch.PeakC, units)}."
            : $"Left standing: {Celsius(batch.PeakC, units)}.";
        Fitted(canvas, when + left, BorderMm + 2, y + 1.24f * row, 0.3f * row, Plain, width - 2 * BorderMm - 4);
    }

    private static void Cup(SKCanvas canvas, MixingSheet sheet, SheetBatch batch, SheetCup cup, float y, float row,
        float width, SheetUnits units)
    {
        var (middle, size) = (y + 0.5f * row, 0.46f * row);
        Stroke(canvas, new(BorderMm + 1, middle - 0.5f * size, BorderMm + 1 + size, middle + 0.5f * size), 0.4f, Ink);
        using var paint = new SKPaint
        {
            Color = cup.Colour is { } colour && SKColor.TryParse(colour, out var parsed)
            ? parsed : new(238, 240, 234),
            Style = SKPaintStyle.Fill,
            IsAntialias = true
        };
        canvas.DrawCircle(BorderMm + 3 + 1.9f * size, middle, 0.62f * size, paint);
        paint.Style = SKPaintStyle.Stroke;
        (paint.Color, paint.StrokeWidth) = (Ink, 0.3f);
        canvas.DrawCircle(BorderMm + 3 + 1.9f * size, middle, 0.62f * size, paint);
        var (left, amount) = (BorderMm + 5 + 3 * size, width - BorderMm - 2);
        var colourant = string.Join(" + ", cup.Draws
            .Select((d, i) => $"{(i == 0 ? "from " : "")}{d.Name} {Volume(d.Ml, units)}")
            .Concat(cup.Doses.Select(d => Told(d, cup.Doses.Length))));
        var half = (width - left - BorderMm) / 2;
        Fitted(canvas, cup.Name, left, middle + (colourant.Length > 0 ? 0 : 0.2f * row), 0.5f * row, Bold, half);
        Fitted(canvas, colourant, left, middle + 0.4f * row, 0.32f * row, Plain, 1.25f * half);
        Text(canvas, sheet.ByWeight ? $"{Number(cup.G, 1)} g" : Volume(cup.Ml, units), amount, middle + 0.16f * row,
            0.62f * row, Bold, SKTextAlign.Right);
        if (cup.InHandMinutes is { } hand)
        {
            Text(canvas, $"{Number(hand)} min left when poured", amount, middle + 0.42f * row, 0.24f * row, Plain, SKTextAlign.Right);
        }

        using var line = new SKPaint { Color = Faint, StrokeWidth = 0.15f, Style = SKPaintStyle.Stroke };
        canvas.DrawLine(BorderMm, y + row, width - BorderMm, y + row, line);
    }

    /// <summary>A colourant by weight, in drops where it is dripped, and what is done with it first where there is room for it.</summary>
    private static string Told(CupDose dose, int of)
    {
        if (dose.G is null || dose.Load is null)
        {
            return $"{dose.Name} by eye{(of == 1 && dose.Prepare is { } before ? $"; {before}" : "")}";
        }

        var amount = dose.Drops is { Value: < 40 } drops ? $"{Number(drops.Value)} drops {dose.Name}"
            : $"{Number(dose.G.Value, 2)} g {dose.Name}";
        return of > 1 ? amount : $"{amount}, {Number(dose.Load.Value, 1)} %{(dose.Prepare is { } first ? $"; {first}" : "")}";
    }

    /// <summary>A line of text that is made smaller where it would be too wide.</summary>
    private static void Fitted(SKCanvas canvas, string text, float x, float y, float size, SKTypeface face, float most)
    {
        var wide = WidthOf(text, size, face);
        Text(canvas, text, x, y, wide > most ? size * most / wide : size, face);
    }

    private static string Volume(double ml, SheetUnits units) =>
        units == SheetUnits.Us && ml >= FluidOunceMl ? $"{Number(ml / FluidOunceMl, 2)} fl oz" : $"{Number(ml, 1)} ml";

    private static string Celsius(double c, SheetUnits units) => units == SheetUnits.Us ? $"{Number(c * 1.8 + 32)} °F" : $"{Number(c)} °C";

    private static string Number(double value, int decimals = 0) => Math.Round(value, decimals).ToString(CultureInfo.InvariantCulture);
}
