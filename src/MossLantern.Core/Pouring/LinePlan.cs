using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;
using NetTopologySuite.Geometries;
using NodaTime;

namespace MossLantern.Core.Pouring;

/// <summary>Everything worked out for a line.</summary>
/// <param name="LineId">The line.</param>
/// <param name="Name">Where it runs, in words.</param>
/// <param name="Length">How long it is, of one piece; 0 where its border is gone.</param>
/// <param name="Ml">What it takes, of all that are made at once; null while its height or what it is of is not known.</param>
/// <param name="Grams">Its mass, where it is mixed by weight.</param>
/// <param name="Tubes">Tubes for it, where it comes from tubes.</param>
/// <param name="Draw">How long a careful hand takes over it, min.</param>
/// <param name="Holds">To what height it holds resin; null for what holds none, or is not known.</param>
/// <param name="Dry">How long until resin may meet it, h; null for what is poured wet, or not known.</param>
/// <param name="Peels">When silicone has dried through and peels, h; null for all else.</param>
/// <param name="Ready">From when resin may meet it, in local time; null while it is not laid.</param>
/// <param name="BeforeId">The sitting that it has to be ready for; null for what is poured.</param>
/// <param name="Granules">What granules a paste takes; none for all else.</param>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
public sealed record LinePlan(
    string LineId, string Name, Reckoned Length, Reckoned? Ml, Reckoned? Grams, Reckoned? Tubes, Reckoned Draw, Reckoned? Holds,
    Reckoned? Dry, Reckoned? Peels, LocalDateTime? Ready, string? BeforeId, ImmutableArray<GranulesNeed> Granules)
{
    /// <summary>The lines of a layer, and with the lowest those that go through all layers.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="map">Its map.</param>
    /// <param name="names">What its regions are called.</param>
    /// <param name="around">What it is worked out in.</param>
    public static ImmutableArray<LinePlan> Of(
        Piece piece, FilledLayer layer, LayerMap map, IReadOnlyDictionary<RegionId, string> names, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        ArgumentNullException.ThrowIfNull(names);
        ArgumentNullException.ThrowIfNull(around);
        if (piece.Lines is null)
        {
            return [];
        }

        return
        [
            .. ZonedMap.PartsOf(piece, layer, map).SelectMany(p => In(piece, p.Of(layer), p, names, around)),
            .. layer.Id == piece.Layers[0].Id ? Dams(piece, around) : [],
        ];
    }

    private static IEnumerable<LinePlan> In(
        Piece piece, FilledLayer layer, ZonePart part, IReadOnlyDictionary<RegionId, string> names, Surroundings around)
    {
        string NameOf(RegionId region) => names.GetValueOrDefault(region.In(part.ZoneId), "what is gone");
        if (layer.Layout is PoolsLayout && !layer.Walls.IsEmpty)
        {
            var lengths = layer.Walls.Zip(Pools.LengthsMm(part.Outline, Wall.Among(layer.Walls))).ToList();
            var pools = WalledIn.All(layer, part);
            foreach (var (wall, mm) in lengths)
            {
                var both = pools.Where(p => p.Walls.Contains(wall) && RunsAlong(p.Area, wall))
                    .Select(p => NameOf(p.Id)).Distinct().ToList();
                yield return Of(piece, wall, both.Count < 2 ? "by hand" : $"{both[0]} from {Listed(both[1..])}", mm, around);
            }
        }

        foreach (var patch in part.Map is LinedMap lined ? lined.Lines : [])
        {
            var line = layer.Lines.Single(l => l.Id == patch.Own!.LineId);
            yield return Of(piece, line, Runs(line.Course, NameOf), patch.Own!.LengthMm!.Value, around);
        }
    }

    /// <summary>A pool that a wall only ends at is not what it parts.</summary>
    private static bool RunsAlong(Geometry pool, Line wall)
    {
        var course = Pools.Laid(((DrawnCourse)wall.Course).Spots);
        var near = pool.Buffer(wall.Section.WidthMm / 2 + 1);
        return Enumerable.Range(1, Samples).Count(i =>
            near.Contains(new Point(course.GetPointN(i * (course.NumPoints - 1) / (Samples + 1)).Coordinate))) >= LeastSamples;
    }

    /// <summary>At so many places along a wall it is asked what lies beside it; a pool lies along it at so many of them.</summary>
    private const int Samples = 16, LeastSamples = 3;

    /// <summary>Dams round what is reserved: as long as their middle.</summary>
    private static IEnumerable<LinePlan> Dams(Piece piece, Surroundings around) =>
        from spot in piece.Kept ?? []
        let dam = piece.DamOf(spot.Id)
        where dam is not null
        select Of(piece, dam, $"round {spot.Name}",
            Flat.Of(spot.Placed).Buffer(dam.Section.WidthMm / 2).Intersection(Flat.Of(piece.Ground.MapOutline)).Boundary.Length, around);

    private static string Listed(List<string> names) =>
        names.Count == 1 ? names[0] : $"{string.Join(", ", names[..^1])} and {names[^1]}";

    private static string Runs(Course course, Func<RegionId, string> name) => course switch
    {
        AllBordersCourse => "along all borders",
        BorderCourse border => $"between {name(border.First)} and {name(border.Second)}",
        RingCourse { Turns: not null } => "a spiral",
        RingCourse => "a ring",
        _ => "by hand",
    };

    private static LinePlan Of(Piece piece, Line line, string name, double mm, Surroundings around)
    {
        var (width, height, of) = (line.Section.WidthMm, line.Section.HeightMm, line.Class);
        var pieces = piece.Ground.AtOnce;
        ReckonedInput Own(string what, double value, string field) => new(what, value, "mm", Origin.Own, $"{line.Place}.section.{field}");
        ReckonedInput length = new("length", mm, "mm", Origin.Reckoned);
        var section = line.SectionMm2;
        var ml = section is { } mm2 ? mm * mm2 * pieces / 1000 : (double?)null;
        var takes = ml is { } m ? new Reckoned(m, "ml", Formulas.LineMl,
        [
            length, new("section", section!.Value, "mm²", Origin.Reckoned),
            .. pieces == 1 ? Array.Empty<ReckonedInput>() : [new("pieces at once", pieces, "", Origin.Own)],
        ]) : null;
        var before = line.IsPoured ? null : Before(piece, line)?.Id;
        var dry = of is { } dries && height is { } h && !line.IsPoured ? DryOf(dries, h, line, around.Catalogue) : null;
        return new(
            line.Id, name,
            Reckoned.Of(mm, "mm", Formulas.LineLength, new ReckonedInput("its course", mm, "mm", Origin.Reckoned)),
            takes,
            of is { } mixed && ml is { } mass ? BarrierBead.Grams(mixed, mass) : null,
            of is { } wet && ml is { } tube ? BarrierBead.Tubes(wet, tube) : null,
            Reckoned.Of(mm / BarrierBead.HandMmPerS / 60, "min", Formulas.LineDraw, length,
                new("hand", BarrierBead.HandMmPerS, "mm/s", Origin.Default)),
            line.IsBarrier && of is { } holds && height is { } crest
                ? Reckoned.Of(BarrierBead.HoldsMm(holds, crest), "mm", Formulas.LineHolds, Own("height", crest, "heightMm"),
                    new("what is left when it is dry", BarrierBead.IsWaterBased(holds) ? BarrierBead.DryShare : 1, "", Origin.Default))
                : null,
            dry,
            of is { } peels && height is { } thick
                ? BarrierBead.Peels(peels, Own("width", width, "widthMm"), Own("height", thick, "heightMm")) : null,
            line.Laid?.At is { } at && dry is not null
                ? (around.Zone.AtLeniently(at) + Duration.FromHours(dry.Value)).LocalDateTime : null,
            before,
            line is { Material: PasteLine paste } && ml is { } piped ? GranulesNeed.Of(paste, piped, around.Catalogue) : []);
    }

    /// <summary>How long it dries: as the person's own data of the material say, else as is typical.</summary>
    private static Reckoned DryOf(BarrierClass of, double heightMm, Line line, Catalogue catalogue)
    {
        var own = catalogue.OwnReady(of.MaterialId);
        var hours = own?[MaterialProperties.ReadyHours];
        ReckonedInput height = new("height", heightMm, "mm", Origin.Own, $"{line.Place}.section.heightMm");
        if (of == BarrierClass.Outliner)
        {
            var at = own?.Find(MaterialProperties.ReadyAtMm) ?? Bead.ReferenceHeightMm;
            return Reckoned.Of(Bead.DryHours(heightMm, at, hours ?? Bead.ReferenceDryHours), "h", Formulas.BeadDry,
                height, new("reference height", at, "mm", own is null ? Origin.Default : Origin.Own),
                new("reference time", hours ?? Bead.ReferenceDryHours, "h", own is null ? Origin.Default : Origin.Own));
        }

        var time = hours ?? BarrierBead.ReadyHours(of, heightMm);
        return Reckoned.Of(time, "h", Formulas.Drying,
            new ReckonedInput("time by its label, or typical", time, "h", own is null ? Origin.Default : Origin.Own));
    }

    /// <summary>The sitting that a wall, a dam or a raised line has to be ready for: the first that pours where it stands.</summary>
    public static Sitting? Before(Piece piece, Line line)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(line);
        return FirstOf(piece, line.LayerId);
    }

    /// <summary>The sitting that pours in a layer first; in any where that is null.</summary>
    internal static Sitting? FirstOf(Piece piece, string? layerId)
    {
        var sittings = piece.Layers.FirstOrDefault(l => l.Id == layerId) is { } layer ? piece.SittingsOf(layer) : piece.Sittings;
        return sittings.OrderBy(s => s.Start ?? LocalDateTime.MaxIsoValue).FirstOrDefault();
    }
}

/// <summary>How much of a kind of granules a line of paste takes.</summary>
/// <param name="StoneId">The kind.</param>
/// <param name="Grams">Its mass, of all that are made at once.</param>
public sealed record GranulesNeed(string StoneId, Reckoned Grams)
{
    /// <summary>Every kind of a paste; one that the catalogue does not have is left out.</summary>
    internal static ImmutableArray<GranulesNeed> Of(PasteLine paste, double ml, Catalogue catalogue)
    {
        var (kinds, voids) = PasteResin.Kinds(paste, catalogue);
        var makes = 1 / Paste.BulkMl(1, voids, paste.Stiffness);
        var parts = kinds.Sum(k => k.Parts);
        return
        [
            .. kinds.Select(k => new GranulesNeed(k.Kind.Id, Reckoned.Of(
                ml * (1 + BarrierBead.StaysShare) / makes * (k.Parts / parts) * k.Kind[MaterialProperties.BulkDensity], "g",
                Formulas.PasteGranules,
                new("paste", ml, "ml", Origin.Reckoned), new("stays in the bag", BarrierBead.StaysShare, "", Origin.Default),
                new("makes", makes, "", Origin.Reckoned), new("share", k.Parts / parts, "", Origin.Own),
                new("bulk density", k.Kind[MaterialProperties.BulkDensity], "g/ml", k.Kind.OriginOf(MaterialProperties.BulkDensity))))),
        ];
    }
}
