using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using SkiaSharp;
using static MossLantern.Pictures.Print;

namespace MossLantern.Pictures;

/// <summary>Paper that a template is tiled on.</summary>
public enum Paper
{
    /// <summary>210 × 297 mm.</summary>
    A4,

    /// <summary>215.9 × 279.4 mm.</summary>
    Letter,
}

/// <summary>How a template is cut into sheets: where each begins on the piece, and how they overlap.</summary>
/// <param name="SheetWidthMm">Width of the paper as it is turned, mm.</param>
/// <param name="SheetHeightMm">Height of the paper, mm.</param>
/// <param name="Columns">Sheets beside each other.</param>
/// <param name="Rows">Sheets below each other.</param>
/// <remarks>Source: docs/formats.md, The template as PDF.</remarks>
public sealed record Tiling(double SheetWidthMm, double SheetHeightMm, int Columns, int Rows)
{
    /// <summary>Border that printers leave white, mm; the lower one has the bar on it.</summary>
    public const double BorderMm = 12;

    /// <summary>Height of the lower border, mm.</summary>
    public const double FootMm = 24;

    /// <summary>How much two sheets overlap, mm.</summary>
    public const double OverlapMm = 14;

    /// <summary>What is shown round the piece, so that its rim is whole, mm.</summary>
    public const double RoundMm = 5;

    /// <summary>Width of what a sheet shows of the piece, mm.</summary>
    public double ShowsWidthMm => SheetWidthMm - 2 * BorderMm;

    /// <summary>Height of what a sheet shows of the piece, mm.</summary>
    public double ShowsHeightMm => SheetHeightMm - BorderMm - FootMm;

    /// <summary>Where a column begins on the piece, mm.</summary>
    public double LeftMm(int column) => column * (ShowsWidthMm - OverlapMm) - RoundMm;

    /// <summary>Where a row begins on the piece, mm.</summary>
    public double TopMm(int row) => row * (ShowsHeightMm - OverlapMm) - RoundMm;

    /// <summary>The tiling that takes the fewest sheets, the paper upright where both are as good.</summary>
    public static Tiling For(double widthMm, double heightMm, Paper paper)
    {
        var (across, down) = SizeOf(paper);
        return new[] { Fit(across, down), Fit(down, across) }.MinBy(t => t.Columns * t.Rows)!;

        Tiling Fit(double sheetWidth, double sheetHeight)
        {
            var one = new Tiling(sheetWidth, sheetHeight, 1, 1);
            return one with
            {
                Columns = Sheets(widthMm + 2 * RoundMm, one.ShowsWidthMm),
                Rows = Sheets(heightMm + 2 * RoundMm, one.ShowsHeightMm)
            };
        }

        static int Sheets(double mm, double shows) => 1 + (int)Math.Ceiling(Math.Max(0, mm - shows) / (shows - OverlapMm) - 1e-9);
    }
}

/// <summary>A full-size template of a layer as PDF: a page map, then one sheet for each tile.</summary>
/// <remarks>Source: docs/formats.md, The template as PDF.</remarks>
public static class TemplatePdf
{
    /// <summary>Distance of the points of the grid, mm.</summary>
    public const double GridMm = 50;

    /// <summary>Writes a template.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="shapes">Its regions.</param>
    /// <param name="paper">The paper.</param>
    /// <param name="grid">Whether points to be punched through are on it, which are still there after an undercoat.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public static byte[] Write(Piece piece, FilledLayer layer, ImmutableArray<RegionShape> shapes, Paper paper,
        bool grid, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var whole = piece.Ground.Whole;
        var tiling = Tiling.For(whole.BoxWidthMm, whole.BoxHeightMm, paper);
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream,
            new SKDocumentPdfMetadata { Title = $"{piece.Name}, {layer.Name}: full-size template" }))
        using (var drawing = new Drawing(piece, layer, shapes, grid))
        {
            try
            {
                Page(document, tiling, canvas => PageMap(canvas, drawing, tiling, catalogue));
                for (var row = 0; row < tiling.Rows; row++)
                {
                    for (var column = 0; column < tiling.Columns; column++)
                    {
                        var (r, c) = (row, column);
                        Page(document, tiling, canvas => Tile(canvas, drawing, tiling, r, c));
                    }
                }

                Effort.Check();
                document.Close();
            }
            catch
            {
                // Else it is written all the same when it is disposed of.
                document.Abort();
                throw;
            }
        }

        return stream.ToArray();
    }

    private static void Page(SKDocument document, Tiling tiling, Action<SKCanvas> draw)
    {
        Effort.Check();
        var canvas = document.BeginPage((float)tiling.SheetWidthMm * PointsPerMm, (float)tiling.SheetHeightMm * PointsPerMm);
        canvas.Scale(PointsPerMm);
        draw(canvas);
        document.EndPage();
    }

    /// <summary>The piece small, the sheets on it, and what belongs to it in words.</summary>
    private static void PageMap(SKCanvas canvas, Drawing drawing, Tiling tiling, Catalogue catalogue)
    {
        var (piece, layer) = (drawing.Piece, drawing.Layer);
        var whole = piece.Ground.Whole;
        Text(canvas, piece.Name, 12, 22, 8, Bold);
        var rows = new[]
        {
            $"{layer.Name}, full size. Print at 100 %, without fitting to the page.",
            string.Create(
                CultureInfo.InvariantCulture,
                $"The piece is {whole.BoxWidthMm:0.#} × {whole.BoxHeightMm:0.#} mm: {tiling.Columns} × {tiling.Rows} "
                    + $"sheets that overlap by {Tiling.OverlapMm:0} mm. Lay cross on cross, then tape."),
            "Measure the bar of every sheet first: it must be 100 mm.",
            drawing.Grid
                ? FormattableString.Invariant(
                    $"Prick the points, {GridMm:0} mm apart, through the paper: they are found again after an undercoat.")
                : "Trace, or lay a sheet of carbon below.",
        };
        for (var i = 0; i < rows.Length; i++)
        {
            Text(canvas, rows[i], 12, 31 + 6 * i, 3.6f, Plain);
        }

        var scale = (float)Math.Min((tiling.SheetWidthMm - 24) / whole.BoxWidthMm,
            Math.Min(1, (tiling.SheetHeightMm - 150) / whole.BoxHeightMm));
        canvas.Save();
        canvas.Translate(12, 60);
        canvas.Scale(scale);
        drawing.Lines(canvas, 0.25f / scale);
        for (var row = 0; row < tiling.Rows; row++)
        {
            for (var column = 0; column < tiling.Columns; column++)
            {
                var frame = SKRect.Create((float)tiling.LeftMm(column), (float)tiling.TopMm(row),
                    (float)tiling.ShowsWidthMm, (float)tiling.ShowsHeightMm);
                canvas.Save();
                var round = (float)Tiling.RoundMm;
                canvas.ClipRect(SKRect.Create(-round, -round, (float)whole.BoxWidthMm + 2 * round, (float)whole.BoxHeightMm + 2 * round));
                Stroke(canvas, frame, 0.4f / scale, Faint);
                canvas.Restore();
                Text(canvas, Name(row, column), frame.Left + 3 / scale, frame.Top + 8 / scale, 6 / scale, Bold);
            }
        }

        canvas.Restore();
        var top = 60 + (float)whole.BoxHeightMm * scale + 10;
        foreach (var (cup, i) in layer.Cups.Select((c, i) => (c, i)))
        {
            var (x, y) = (12 + i % 3 * 62, top + i / 3 * 7);
            using var paint = new SKPaint
            {
                Color = SKColor.Parse(CupLook.Of(catalogue, layer,
                cup) is { CoverPerMm: > 0 } look ? look.Colour.ToHex() : "#eef0ea"),
                IsAntialias = true
            };
            canvas.DrawRect(x, y - 4, 5, 5, paint);
            Stroke(canvas, SKRect.Create(x, y - 4, 5, 5), 0.2f, Ink);
            Text(canvas, $"{drawing.Number(cup.Id)}  {cup.Name}", x + 7, y, 3.6f, Plain);
        }

        Bar(canvas, tiling);
    }

    private static void Tile(SKCanvas canvas, Drawing drawing, Tiling tiling, int row, int column)
    {
        float left = (float)tiling.LeftMm(column), top = (float)tiling.TopMm(row);
        var shows = SKRect.Create((float)Tiling.BorderMm, (float)Tiling.BorderMm, (float)tiling.ShowsWidthMm, (float)tiling.ShowsHeightMm);
        canvas.Save();
        canvas.ClipRect(shows);
        canvas.Translate((float)Tiling.BorderMm - left, (float)Tiling.BorderMm - top);
        drawing.Lines(canvas, 0.25f);
        drawing.Names(canvas, SKRect.Create(left, top, shows.Width, shows.Height));
        drawing.Points(canvas);
        Crosses(canvas, tiling, row, column);
        canvas.Restore();
        Stroke(canvas, shows, 0.1f, Faint);
        Text(canvas, $"{drawing.Piece.Name} · {drawing.Layer.Name}", (float)Tiling.BorderMm, 8.5f, 3.4f, Plain);
        Text(canvas, $"sheet {Name(row, column)} of {tiling.Rows} × {tiling.Columns}", (float)tiling.SheetWidthMm - 48, 8.5f, 3.4f, Bold);
        Bar(canvas, tiling);
    }

    /// <summary>Crosses in the middle of every overlap: the same places of the piece on both sheets.</summary>
    private static void Crosses(SKCanvas canvas, Tiling tiling, int row, int column)
    {
        foreach (var (x, y) in CrossesOf(tiling, row, column))
        {
            using var paint = new SKPaint { Color = Ink, StrokeWidth = 0.2f, IsAntialias = true, Style = SKPaintStyle.Stroke };
            canvas.DrawLine((float)x - 4, (float)y, (float)x + 4, (float)y, paint);
            canvas.DrawLine((float)x, (float)y - 4, (float)x, (float)y + 4, paint);
            canvas.DrawCircle((float)x, (float)y, 2, paint);
        }
    }

    /// <summary>The crosses of a sheet, mm on the piece.</summary>
    /// <param name="tiling">The tiling.</param>
    /// <param name="row">Row of the sheet, from 0.</param>
    /// <param name="column">Column of the sheet, from 0.</param>
    public static IEnumerable<(double XMm, double YMm)> CrossesOf(Tiling tiling, int row, int column)
    {
        ArgumentNullException.ThrowIfNull(tiling);
        double left = tiling.LeftMm(column), top = tiling.TopMm(row), half = Tiling.OverlapMm / 2;
        double[] ys = [top + half, top + tiling.ShowsHeightMm / 2, top + tiling.ShowsHeightMm - half];
        double[] xs = [left + half, left + tiling.ShowsWidthMm / 2, left + tiling.ShowsWidthMm - half];
        foreach (var (x, i) in xs.Select((x, i) => (x, i)))
        {
            foreach (var (y, j) in ys.Select((y, j) => (y, j)))
            {
                var beside = (i == 0 && column > 0) || (i == 2 && column < tiling.Columns - 1);
                var below = (j == 0 && row > 0) || (j == 2 && row < tiling.Rows - 1);
                if (beside || below)
                {
                    yield return (x, y);
                }
            }
        }
    }

    /// <summary>The 100 mm bar that tells whether the printer kept the size.</summary>
    private static void Bar(SKCanvas canvas, Tiling tiling)
    {
        float x = (float)Tiling.BorderMm, y = (float)tiling.SheetHeightMm - 12;
        using var paint = new SKPaint { Color = Ink, StrokeWidth = 0.3f, IsAntialias = true, Style = SKPaintStyle.Stroke };
        canvas.DrawLine(x, y, x + 100, y, paint);
        for (var mm = 0; mm <= 100; mm += 10)
        {
            canvas.DrawLine(x + mm, y, x + mm, y - (mm % 50 == 0 ? 4 : 2), paint);
        }

        Text(canvas, "100 mm: measure it before you cut", x + 104, y, 3.4f, Plain);
    }

    private static string Name(int row, int column) => string.Create(CultureInfo.InvariantCulture, $"{(char)('A' + row % 26)}{column + 1}");

    /// <summary>What is drawn of a layer, on the piece in millimetres.</summary>
    private sealed class Drawing(Piece piece, FilledLayer layer, ImmutableArray<RegionShape> shapes, bool grid) : IDisposable
    {
        private readonly List<PanelCopy> copies = piece.Ground.Set is { Mirrored: true }
            ? [.. piece.Ground.Panels!.Copies] : [new(0, false)];
        private readonly SKPath outline = PathOf(piece.Ground.Whole.Rings);
        private readonly List<string> numbers = [.. layer.Cups.Select(c => c.Id)];

        public Piece Piece => piece;

        public FilledLayer Layer => layer;

        public bool Grid => grid;

        /// <summary>The number of a cup, from 1, by which the sheets name it.</summary>
        public int Number(string cupId) => numbers.IndexOf(cupId) + 1;

        public void Lines(SKCanvas canvas, float width)
        {
            using var thin = new SKPaint
            {
                Color = Ink,
                StrokeWidth = width,
                IsAntialias = true,
                Style = SKPaintStyle.Stroke,
                StrokeJoin = SKStrokeJoin.Round
            };
            using var bold = new SKPaint
            {
                Color = Ink,
                StrokeWidth = 2 * width,
                IsAntialias = true,
                Style = SKPaintStyle.Stroke,
                StrokeJoin = SKStrokeJoin.Miter
            };
            foreach (var rings in copies.SelectMany(copy => shapes.Select(s => s.Rings.Select(copy.Of))))
            {
                Effort.Check();
                using var path = PathOf(rings);
                canvas.DrawPath(path, thin);
            }

            canvas.DrawPath(outline, bold);
        }

        /// <summary>Names every region where most of it lies on a sheet.</summary>
        public void Names(SKCanvas canvas, SKRect sheet)
        {
            foreach (var (copy, shape) in copies.SelectMany(c => shapes.Select(s => (c, s))).Where(p => p.s.CupId is not null))
            {
                ImmutableArray<Ring> rings = [.. shape.Rings.Select(copy.Of)];
                if (Widest(rings, sheet) is not { } at)
                {
                    continue;
                }

                var cup = layer.Cups.First(c => c.Id == shape.CupId);
                Text(canvas, string.Create(CultureInfo.InvariantCulture, $"{Number(cup.Id)} {cup.Name}"),
                    (float)at.X + 1, (float)at.Y - 1, 3, Plain);
                using var dot = new SKPaint { Color = Ink, IsAntialias = true };
                canvas.DrawCircle((float)at.X, (float)at.Y, 0.4f, dot);
            }
        }

        /// <summary>Of some places on a sheet, the one that lies deepest inside a region; null where none does.</summary>
        private static (double X, double Y)? Widest(ImmutableArray<Ring> rings, SKRect sheet)
        {
            const int places = 14;
            using var path = PathOf(rings);
            path.FillType = SKPathFillType.EvenOdd;
            (double, double)? best = null;
            var depth = 0.0;
            for (var i = 1; i < places; i++)
            {
                Effort.Check();
                for (var j = 1; j < places; j++)
                {
                    float x = sheet.Left + sheet.Width * i / places, y = sheet.Top + sheet.Height * j / places;
                    if (path.Contains(x, y) && rings.Min(r => Math.Abs(r.SignedDistanceMm(x, y))) is var d && d > depth)
                    {
                        (best, depth) = ((x, y), d);
                    }
                }
            }

            return best;
        }

        /// <summary>Points on the piece to be pricked through the paper, each with its place.</summary>
        public void Points(SKCanvas canvas)
        {
            if (!grid)
            {
                return;
            }

            var whole = piece.Ground.Whole;
            using var paint = new SKPaint { Color = Ink, StrokeWidth = 0.2f, IsAntialias = true, Style = SKPaintStyle.Stroke };
            for (var row = 0; row * GridMm <= whole.BoxHeightMm + 1e-6; row++)
            {
                for (var column = 0; column * GridMm <= whole.BoxWidthMm + 1e-6; column++)
                {
                    double x = column * GridMm, y = row * GridMm;
                    if (whole.SignedDistanceMm(x, y) > 0.01)
                    {
                        continue;
                    }

                    canvas.DrawCircle((float)x, (float)y, 1.5f, paint);
                    canvas.DrawLine((float)x - 2.5f, (float)y, (float)x + 2.5f, (float)y, paint);
                    canvas.DrawLine((float)x, (float)y - 2.5f, (float)x, (float)y + 2.5f, paint);
                    Text(canvas, string.Create(CultureInfo.InvariantCulture, $"{x:0}, {y:0}"), (float)x + 2.6f,
                        (float)y + 3.4f, 2.2f, Plain);
                }
            }
        }

        public void Dispose() => outline.Dispose();

        private static SKPath PathOf(IEnumerable<Ring> rings)
        {
            var path = new SKPathBuilder();
            foreach (var ring in rings)
            {
                path.MoveTo((float)ring.Xs[0], (float)ring.Ys[0]);
                for (var i = 1; i < ring.Count; i++)
                {
                    path.LineTo((float)ring.Xs[i], (float)ring.Ys[i]);
                }

                path.Close();
            }

            return path.Detach();
        }
    }
}
