using System.Collections.Immutable;
using System.Runtime.InteropServices;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Units;
using SkiaSharp;

namespace MossLantern.Pictures;

/// <summary>Paints a piece's painting into a picture: the same list that the page's brush paints, in the same way.</summary>
public static class SkiaBrush
{
    private const SKColorType Pixels = SKColorType.Rgba8888;

    private static readonly (float At, byte Alpha)[] WetGloss =
        [(0, 0), (0.16f, 0), (0.24f, 105), (0.34f, 61), (0.4f, 0), (0.44f, 0), (0.46f, 74), (0.48f, 0), (1, 0)];

    /// <summary>A painting as a PNG with a clear ground round the outline.</summary>
    /// <param name="painting">The painting.</param>
    /// <param name="widthPixels">Width of the picture; its height follows.</param>
    public static byte[] Png(Painting painting, int widthPixels)
    {
        ArgumentNullException.ThrowIfNull(painting);
        ArgumentOutOfRangeException.ThrowIfLessThan(widthPixels, 1);
        var scale = widthPixels / (float)painting.WidthMm;
        var height = Math.Max(1, (int)Math.Round(painting.HeightMm * scale));
        using var recorder = new SKPictureRecorder();
        var canvas = recorder.BeginRecording(new(0, 0, widthPixels, height), useRTree: true);
        canvas.Scale(scale);
        Paint(canvas, painting, scale);
        using var picture = recorder.EndRecording();
        using var bitmap = new SKBitmap(new SKImageInfo(widthPixels, height, Pixels, SKAlphaType.Premul));
        InStrips(bitmap, picture);
        using var pixels = bitmap.PeekPixels();
        using var packed = new BoundedStream();
        if (!pixels!.Encode(packed, Packing))
        {
            Effort.Check();
            throw new InvalidOperationException("The picture could not be packed.");
        }

        return packed.ToArray();
    }

    /// <summary>Plays a picture strip by strip, on every core: work that is given up stops with the strips that are
    /// being painted.</summary>
    private static void InStrips(SKBitmap bitmap, SKPicture picture)
    {
        var rows = Math.Max(1, Math.Min(StripPixels / bitmap.Width, bitmap.Height / LeastStrips));
        Effort.For((bitmap.Height + rows - 1) / rows, strip =>
        {
            var top = strip * rows;
            var info = bitmap.Info.WithSize(bitmap.Width, Math.Min(rows, bitmap.Height - top));
            using var surface = SKSurface.Create(info, bitmap.GetPixels() + top * bitmap.RowBytes, bitmap.RowBytes);
            surface.Canvas.Clear(SKColors.Transparent);
            surface.Canvas.Translate(0, -top);
            surface.Canvas.DrawPicture(picture);
        });
    }

    /// <summary>What is written of a picture; it takes no more once the work is given up.</summary>
    private sealed class BoundedStream : SKAbstractManagedWStream
    {
        private readonly MemoryStream written = new();

        public byte[] ToArray() => written.ToArray();

        protected override bool OnWrite(IntPtr buffer, IntPtr size)
        {
            if (Effort.IsOver)
            {
                return false;
            }

            var bytes = new byte[(int)size];
            Marshal.Copy(buffer, bytes, 0, bytes.Length);
            written.Write(bytes);
            return true;
        }

        protected override void OnFlush()
        {
        }

        protected override IntPtr OnBytesWritten() => (IntPtr)written.Length;
    }

    /// <summary>How much of a picture is painted between two looks at whether it is still waited for.</summary>
    private const int StripPixels = 50_000;

    /// <summary>A small picture of many paths takes long too.</summary>
    private const int LeastStrips = 12;

    /// <summary>Grain and growth lines leave little for hard packing to find: light packing is some times as fast and
    /// hardly larger.</summary>
    private static readonly SKPngEncoderOptions Packing = new(SKPngEncoderFilterFlags.Sub, 3);

    /// <summary>Paints on a canvas that is already scaled to millimetres.</summary>
    private static void Paint(SKCanvas canvas, Painting painting, float pixelsPerMm)
    {
        using var outline = SKPath.ParseSvgPathData(painting.Outline);
        canvas.Save();
        canvas.ClipPath(outline, antialias: true);
        if (painting.Ground is { } colour)
        {
            using var ground = Fill(SKColor.Parse(colour));
            canvas.DrawPath(outline, ground);
        }

        Insets(canvas, painting, true, pixelsPerMm);
        if (painting.Panels is not { } panels)
        {
            Paths(canvas, painting, pixelsPerMm);
        }
        else
        {
            using var panel = SKPath.ParseSvgPathData(panels.Outline);
            foreach (var copy in panels.Copies)
            {
                canvas.Save();
                canvas.Translate((float)copy.FromMm, 0);
                canvas.Scale(copy.Mirrored ? -1 : 1, 1);
                canvas.ClipPath(panel, antialias: true);
                Paths(canvas, painting, pixelsPerMm);
                canvas.Restore();
            }
        }

        if (IsFull(painting))
        {
            Weather(canvas, painting, outline, pixelsPerMm);
        }

        Insets(canvas, painting, false, pixelsPerMm);
        Stroke(canvas, outline, new(20, 16, 8, 71), Math.Max(2.4f, 2 / pixelsPerMm));
        Stroke(canvas, outline, new(255, 255, 255, 89), Math.Max(0.9f, 1 / pixelsPerMm));
        canvas.Restore();
    }

    private static void Insets(SKCanvas canvas, Painting painting, bool below, float pixelsPerMm)
    {
        foreach (var inset in painting.Insets.Where(i => i.Below == below))
        {
            canvas.Save();
            canvas.Translate((float)inset.XMm, (float)inset.YMm);
            Paint(canvas, inset.Painting, pixelsPerMm);
            canvas.Restore();
        }
    }

    private static void Paths(SKCanvas canvas, Painting painting, float pixelsPerMm)
    {
        for (var i = 0; i < painting.Paths.Length; i++)
        {
            Effort.Check();
            var path = painting.Paths[i];
            var blend = path.Glass || i >= painting.Look.FiltersFrom ? SKBlendMode.Multiply : SKBlendMode.SrcOver;
            using var shape = Parse(path.Path);
            Clipped(canvas, painting, path, () => Paint(canvas, path, shape, blend, pixelsPerMm));
        }

        if (IsFull(painting))
        {
            Finishes(canvas, painting);
        }
    }

    /// <summary>Whether what tells colourants apart and the weather are painted: not on the draft of a drag, and not in
    /// light from behind.</summary>
    private static bool IsFull(Painting painting) =>
        painting.Look is { FiltersFrom: null, Full: true };

    /// <summary>Draws within the part that a path belongs to.</summary>
    private static void Clipped(SKCanvas canvas, Painting painting, PaintPath path, Action draw)
    {
        if (path.Clip is not { } number)
        {
            draw();
            return;
        }

        canvas.Save();
        using var part = Parse(painting.Clips[number]);
        canvas.ClipPath(part, antialias: true);
        draw();
        canvas.Restore();
    }

    private static void Paint(SKCanvas canvas, PaintPath path, SKPath shape, SKBlendMode blend, float pixelsPerMm)
    {
        if (path.Opacity == 0)
        {
            return;
        }

        var alpha = (byte)Math.Round(255 * path.Opacity);
        if (path.Fill is { } fill)
        {
            using var paint = Fill(SKColor.Parse(fill).WithAlpha(alpha));
            paint.BlendMode = blend;
            canvas.DrawPath(shape, paint);
        }

        if (path.Stroke is { } stroke)
        {
            Stroke(canvas, shape, SKColor.Parse(stroke).WithAlpha(alpha), (float)Math.Max(path.StrokeMm, 0.35 / pixelsPerMm), blend);
        }
    }

    /// <summary>Each region whose colourant takes the light in its own way, as the ring between its edge and the next one in.</summary>
    private static void Finishes(SKCanvas canvas, Painting painting)
    {
        var edges = new List<int>();
        for (var i = 0; i < painting.Paths.Length; i++)
        {
            var p = painting.Paths[i];
            if (p is { Fill: not null, Region: not null, Opacity: > 0, Role: PaintRole.Body or PaintRole.Part })
            {
                edges.Add(i);
            }
        }

        for (var e = 0; e < edges.Count; e++)
        {
            Effort.Check();
            var outer = painting.Paths[edges[e]];
            var material = painting.Materials.FirstOrDefault(m => m.Id == outer.Material);
            if (material?.Finish is not { } finish || TexturePaint.Of(painting, material, finish, outer.Opacity) is not { } paint)
            {
                continue;
            }

            // A ring of a layer above already has its hole, and what lies side by side has none.
            var next = e + 1 < edges.Count ? painting.Paths[edges[e + 1]] : null;
            var hole = outer is { Opacity: 1, Role: PaintRole.Body } && next is { Role: PaintRole.Body }
                && next.Clip == outer.Clip && Layer(next) == Layer(outer)
                ? next.Path
                : "";
            using (paint)
            using (var ring = Parse(outer.Path + hole))
            {
                Clipped(canvas, painting, outer, () => canvas.DrawPath(ring, paint));
            }
        }

        static string? Layer(PaintPath path) => path.Material?.Split('/')[0];
    }

    /// <summary>Clouds, grain and gloss over the whole piece.</summary>
    private static void Weather(SKCanvas canvas, Painting painting, SKPath outline, float pixelsPerMm)
    {
        var size = (float)Math.Sqrt(painting.WidthMm * painting.HeightMm);
        Tile(Tiles.Clouds, size * 0.75f, SKBlendMode.SoftLight, 0.26f);
        Tile(Tiles.Clouds, size * 0.31f, SKBlendMode.SoftLight, 0.12f);
        Tile(Tiles.Grain, 52, SKBlendMode.Overlay, 0.05f);
        using var gloss = Fill(SKColors.White);
        gloss.Shader = SKShader.CreateLinearGradient(
            new(0, 0), new((float)painting.WidthMm, (float)painting.HeightMm),
            [new(255, 255, 255, 20), new(255, 255, 255, 0), new(0, 0, 0, 0), new(0, 0, 0, 36)], [0, 0.35f, 0.7f, 1],
            SKShaderTileMode.Clamp);
        canvas.DrawPath(outline, gloss);
        if (painting.Look.Wet)
        {
            // What shines on wet resin lies across it in a broad and a narrow stripe.
            gloss.Shader = SKShader.CreateLinearGradient(
                new(0, 0), new((float)painting.WidthMm, (float)painting.HeightMm),
                [.. WetGloss.Select(g => new SKColor(255, 255, 255, g.Alpha))], [.. WetGloss.Select(g => g.At)], SKShaderTileMode.Clamp);
            canvas.DrawPath(outline, gloss);
        }

        void Tile(SKBitmap tile, float mm, SKBlendMode blend, float alpha)
        {
            Effort.Check();
            using var paint = Fill(SKColors.White.WithAlpha((byte)Math.Round(255 * alpha)));
            paint.Shader = Tiles.Sized(tile, mm, pixelsPerMm);
            paint.BlendMode = blend;
            canvas.DrawPath(outline, paint);
        }
    }

    private static SKPath Parse(string text)
    {
        var path = SKPath.ParseSvgPathData(text);
        path.FillType = SKPathFillType.EvenOdd;
        return path;
    }

    internal static SKPaint Fill(SKColor colour) => new() { IsAntialias = true, Style = SKPaintStyle.Fill, Color = colour };

    private static void Stroke(SKCanvas canvas, SKPath path, SKColor colour, float width, SKBlendMode blend = SKBlendMode.SrcOver)
    {
        using var paint = new SKPaint
        {
            IsAntialias = true,
            Style = SKPaintStyle.Stroke,
            StrokeJoin = SKStrokeJoin.Round,
            StrokeWidth = width,
            Color = colour,
            BlendMode = blend,
        };
        canvas.DrawPath(path, paint);
    }
}

/// <summary>How a colourant takes the light: specks, a shift of hue across the piece, or a metal's sheen.</summary>
internal static class TexturePaint
{
    /// <summary>The paint of a finish, or null where a colourant has none.</summary>
    public static SKPaint? Of(Painting painting, PaintMaterial material, ColourantClass finish, double opacity) => finish switch
    {
        ColourantClass.Mica => Specks(Tiles.FineSpecks, 46, 0.42 * opacity, painting.Look.TiltDeg),
        ColourantClass.AcrylicMetallic => Specks(Tiles.FineSpecks, 34, 0.5 * opacity, painting.Look.TiltDeg),
        ColourantClass.Glitter => Specks(Tiles.CoarseSpecks, 90, 0.95 * opacity, painting.Look.TiltDeg),
        ColourantClass.Interference when material.Angles is { } angles => Gradient(
            new(0, 0), new((float)painting.WidthMm, 0), Tilted(angles, painting.Look.TiltDeg), SKBlendMode.SrcOver, FlakesHide * opacity),
        ColourantClass.MetallicPaste => Gradient(
            new(0, 0), new((float)painting.WidthMm, (float)painting.HeightMm), Sheen(painting, material),
            SKBlendMode.HardLight, 0.5 * opacity),
        _ => null,
    };

    /// <summary>How much of what lies below shimmering flakes their colour hides: lines in it are seen still.</summary>
    private const double FlakesHide = 0.85;

    /// <summary>From left to right one sees a piece at so many angles, degrees.</summary>
    private const double AcrossDeg = 24;

    private const int Stops = 8;

    /// <summary>What shimmers, from left to right: each place as it is seen at its own angle.</summary>
    private static SKColor[] Tilted(ImmutableArray<string> angles, double tiltDeg)
    {
        var step = Shimmer.AnglesDeg[1] - Shimmer.AnglesDeg[0];
        return [.. Enumerable.Range(0, Stops + 1).Select(i =>
        {
            var at = Math.Min(Math.Abs(tiltDeg + AcrossDeg * ((double)i / Stops - 0.5)) / step, angles.Length - 1);
            var from = Math.Min((int)at, angles.Length - 2);
            var (one, other) = (SKColor.Parse(angles[from]), SKColor.Parse(angles[from + 1]));
            return new SKColor(Mixed(one.Red, other.Red), Mixed(one.Green, other.Green), Mixed(one.Blue, other.Blue));

            byte Mixed(byte a, byte b) => (byte)Math.Round(a + (at - from) * (b - a), MidpointRounding.AwayFromZero);
        })];
    }

    /// <summary>A tilt moves the light along a metal: by a stripe of its sheen at so many degrees.</summary>
    private const double DegAStripe = 15;

    private static SKColor[] Sheen(Painting painting, PaintMaterial material)
    {
        var grey = new SKColor(128, 128, 128);
        SKColor[] turn = [SKColor.Parse(material.Light), grey, SKColor.Parse(material.Dark), grey];
        var stripes = Math.Max(6, (int)Math.Round((painting.WidthMm + painting.HeightMm) / 50, MidpointRounding.AwayFromZero));
        var moved = (int)Math.Round(painting.Look.TiltDeg / DegAStripe, MidpointRounding.AwayFromZero);
        return [.. Enumerable.Range(0, stripes + 1).Select(i => turn[(i + moved) % 4])];
    }

    /// <summary>At this tilt no speck would shine any more, degrees; and how far they move for each degree, mm.</summary>
    private const double SpecksGoDeg = 120, SpeckMmADeg = 0.7;

    /// <summary>Other specks than before catch the light when it is tilted, and fewer.</summary>
    private static SKPaint Specks(SKBitmap tile, float mm, double alpha, double tiltDeg)
    {
        var paint = SkiaBrush.Fill(SKColors.White.WithAlpha((byte)Math.Round(255 * alpha * (1 - tiltDeg / SpecksGoDeg))));
        paint.Shader = Tiles.Shader(tile, mm, (float)(SpeckMmADeg * tiltDeg));
        return paint;
    }

    private static SKPaint Gradient(SKPoint from, SKPoint to, SKColor[] colours, SKBlendMode blend, double alpha)
    {
        var paint = SkiaBrush.Fill(SKColors.White.WithAlpha((byte)Math.Round(255 * alpha)));
        paint.Shader = SKShader.CreateLinearGradient(from, to, colours, SKShaderTileMode.Clamp);
        paint.BlendMode = blend;
        return paint;
    }
}
