using System.Diagnostics;
using System.Globalization;
using MossLantern.Pictures;

namespace MossLantern.Browser.Tests;

/// <summary>The full-size template, rendered as a printer would and measured with a ruler of pixels.</summary>
public sealed class TemplateTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    /// <summary>Ten pixels to a millimetre.</summary>
    private const int Dpi = 254;

    private const double PerMm = 10;

    private readonly string folder = Directory.CreateTempSubdirectory("moss-lantern-template-").FullName;

    public override void Dispose()
    {
        base.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>Marsh Light is 600 mm wide and 400 mm high: from rim to rim over all sheets, cross laid on cross.</summary>
    [Theory]
    [InlineData(Paper.A4, false)]
    [InlineData(Paper.Letter, true)]
    public async Task A_piece_measured_over_all_its_sheets_is_right_within_a_fifth_of_a_millimetre(Paper paper, bool grid)
    {
        var tiling = Tiling.For(600, 400, paper);
        var sheets = await Rendered($"api/pieces/marsh-light/template.pdf?paper={paper}&grid={(grid ? "true" : "false")}");
        Assert.Equal(1 + tiling.Rows * tiling.Columns, sheets.Count);
        foreach (var sheet in sheets)
        {
            Assert.Equal(tiling.SheetWidthMm * PerMm, sheet.Width, 2.0);
            Assert.Equal(tiling.SheetHeightMm * PerMm, sheet.Height, 2.0);

            // The bar: from its first tick to its last, where they stand up from it.
            var y = tiling.SheetHeightMm - 13.5;
            var from = sheet.LineAcross(y, Tiling.BorderMm, search: 1);
            var to = sheet.LineAcross(y, Tiling.BorderMm + 100, search: 1);
            Assert.Equal(100, to - from, 0.05);
        }

        // From the left rim to the right one along the first row. Lines are measured well away from text and marks.
        var across = 0.0;
        for (var column = 0; column < tiling.Columns; column++)
        {
            var sheet = sheets[1 + column];
            double OnSheet(double pieceMm) => pieceMm - tiling.LeftMm(column) + Tiling.BorderMm;
            var cross = TemplatePdf.CrossesOf(tiling, 0, column).ToList();

            // Beside the cross's own line, and for the rim 61 mm down, between marks and points.
            var row = cross.First(c => c.YMm is > 100 and < 200).YMm - tiling.TopMm(0) + Tiling.BorderMm + 3;
            var rim = 61 - tiling.TopMm(0) + Tiling.BorderMm;
            var left = column == 0 ? sheet.LineAcross(rim, OnSheet(0), search: 1)
                : sheet.LineAcross(row, OnSheet(cross.Min(c => c.XMm)), search: 1);
            var right = column == tiling.Columns - 1 ? sheet.LineAcross(rim, OnSheet(600), search: 1)
                : sheet.LineAcross(row, OnSheet(cross.Max(c => c.XMm)), search: 1);
            across += right - left;
        }

        Assert.Equal(600, across, 0.2);
        TestContext.Current.SendDiagnosticMessage("{0}: 600 mm measure {1:0.000} mm over {2} sheets", paper, across, tiling.Columns);
    }

    private async Task<List<Sheet>> Rendered(string path)
    {
        using var client = Workshop.Client;
        var pdf = Path.Combine(folder, "template.pdf");
        await File.WriteAllBytesAsync(pdf, await client.GetByteArrayAsync(path));
        using var run = Process.Start(new ProcessStartInfo("pdftoppm",
            ["-gray", "-r", Dpi.ToString(CultureInfo.InvariantCulture), pdf, Path.Combine(folder, "sheet")]))!;
        await run.WaitForExitAsync();
        Assert.Equal(0, run.ExitCode);
        return [.. Directory.GetFiles(folder, "sheet-*.pgm").Order(StringComparer.Ordinal).Select(Sheet.Read)];
    }

    /// <summary>A rendered sheet.</summary>
    private sealed record Sheet(int Width, int Height, byte[] Pixels)
    {
        /// <summary>Reads a binary PGM.</summary>
        public static Sheet Read(string path)
        {
            var bytes = File.ReadAllBytes(path);
            var at = 0;
            string Word()
            {
                while (char.IsWhiteSpace((char)bytes[at]))
                {
                    at++;
                }

                var from = at;
                while (!char.IsWhiteSpace((char)bytes[at]))
                {
                    at++;
                }

                return System.Text.Encoding.ASCII.GetString(bytes, from, at - from);
            }

            Assert.Equal("P5", Word());
            int width = int.Parse(Word(), CultureInfo.InvariantCulture), height = int.Parse(Word(), CultureInfo.InvariantCulture);
            Word();
            return new(width, height, bytes[(at + 1)..]);
        }

        /// <summary>Where a line stands across a height, mm: the middle of its darkness near where it is looked for.</summary>
        public double LineAcross(double yMm, double xMm, double search)
        {
            var row = (int)(yMm * PerMm);
            int from = Math.Max(0, (int)((xMm - search) * PerMm)), to = Math.Min(Width - 1, (int)((xMm + search) * PerMm));
            double sum = 0, weighed = 0;
            for (var x = from; x <= to; x++)
            {
                var dark = 255 - Pixels[row * Width + x];
                sum += dark;
                weighed += dark * (x + 0.5);
            }

            Assert.True(sum > 100, FormattableString.Invariant($"no line at {xMm:0.0}, {yMm:0.0} mm"));
            return weighed / sum / PerMm;
        }
    }
}
