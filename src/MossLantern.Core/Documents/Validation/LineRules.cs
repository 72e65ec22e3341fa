using FluentValidation.Results;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using static MossLantern.Core.Documents.Entries;

namespace MossLantern.Core.Documents;

/// <summary>What the lines of a piece, or of older work, must be for its layers to be laid out.</summary>
internal static class LineRules
{
    /// <summary>What is wrong, each with its field.</summary>
    /// <param name="piece">A piece within its bounds.</param>
    public static IEnumerable<ValidationFailure> Problems(Piece piece)
    {
        if (piece.Lines is not { } lines)
        {
            yield break;
        }

        if (!Unique(lines.Select(l => l.Id)))
        {
            yield return new("lines", "Each line needs an id of its own.");
        }

        var recipes = piece.Recipes.Where(r => r.SecondOf is null).Select(r => r.Id).ToHashSet();
        foreach (var (line, at) in lines.Select((l, i) => (l, At("lines", i))))
        {
            foreach (var failure in Of(piece, line, recipes, at))
            {
                yield return failure;
            }
        }

        if (lines.Where(l => l.Course is RoundCourse).GroupBy(l => ((RoundCourse)l.Course).Spot).Any(g => g.Count() > 1))
        {
            yield return new("lines", "Round a reserved spot there is one dam.");
        }

        foreach (var laid in lines.Where(l => !l.IsBarrier).GroupBy(l => (l.LayerId, l.In)))
        {
            if (laid.Sum(Corners) > MostCorners)
            {
                yield return new("lines",
                    $"The lines of a layer run through up to {MostCorners} spots together, {Turn} of them to a turn.");
            }
        }

        if (lines.Where(l => !IsOfPools(l)).GroupBy(l => (l.LayerId, l.In?.Kind, l.Region)).Any(g => g.Count() > 1))
        {
            yield return new("lines", "Each line, walls of pools aside, is a region of its own.");
        }

        foreach (var walls in lines.Where(l => l is { IsBarrier: true, Course: not RoundCourse }).GroupBy(l => (l.LayerId, l.In)))
        {
            if (walls.Count() > DrawnCourse.MostWalls)
            {
                yield return new("lines", $"There are up to {DrawnCourse.MostWalls} walls in a layer.");
            }
            else if (walls.Sum(Corners) > DrawnCourse.MostTogether)
            {
                yield return new("lines", $"The walls of a layer run through up to {DrawnCourse.MostTogether} spots together.");
            }
            else if (walls.Where(w => w.Course is DrawnCourse).ToList() is var drawn && drawn.All(IsSound) && AreTooDense(drawn))
            {
                yield return new("lines",
                    "The walls cross each other, or lie closer together than they are wide, in too many places: take some of them away.");
            }
        }
    }

    /// <summary>Most spots that all lines of a layout, walls aside, run through, and how many a turn of a spiral has.</summary>
    internal const int MostCorners = 6000, Turn = 100;

    private static double Corners(Line line) => line.Course switch
    {
        DrawnCourse { Spots.IsDefault: false } drawn => drawn.Spots.Length,
        RingCourse ring => Turn * (ring.Turns is > 0 and var turns ? turns : 1),
        _ => 0,
    };

    private static IEnumerable<ValidationFailure> Of(Piece piece, Line line, HashSet<string> recipes, string at)
    {
        if (!Accepted.LineMm.Contains(line.Section.WidthMm))
        {
            yield return new($"{at}.section.widthMm", Accepted.LineMm.Sentence);
        }

        if (line.Section.HeightMm is { } mm && !Accepted.LineHeightMm.Contains(mm))
        {
            yield return new($"{at}.section.heightMm", Accepted.LineHeightMm.Sentence);
        }

        if (!Accepted.Swell.Contains(line.Section.Swell))
        {
            yield return new($"{at}.section.swell", Accepted.Swell.Sentence);
        }

        if (line.Section.EveryMm is { } every && (line.IsBarrier || !Accepted.DotsMm.Contains(every) || every < line.Section.WidthMm))
        {
            yield return new($"{at}.section.everyMm", line.IsBarrier ? "A wall is laid without gaps."
                : Accepted.DotsMm.Contains(every) ? "Dots are no closer than they are wide." : Accepted.DotsMm.Sentence);
        }

        if (line is { IsBarrier: false, Section.HeightMm: null })
        {
            yield return new($"{at}.section.heightMm", "How thick a line is laid has to be known.");
        }

        if (line.Class is { } barrier && !Enum.IsDefined(barrier))
        {
            yield return new($"{at}.material.class", "There is no such material for walls and raised lines.");
        }

        if (line.Material is ReliefLine { Colour: var colour } && Colour.Parse(colour) is null)
        {
            yield return new($"{at}.material.colour", "A colour is written like #33523f.");
        }

        foreach (var failure in line.Material is PasteLine paste ? OfPaste(paste, $"{at}.material") : [])
        {
            yield return failure;
        }

        foreach (var failure in OfCourse(line.Course, $"{at}.course"))
        {
            yield return failure;
        }

        if (line.RecipeId is { } recipe && !recipes.Contains(recipe))
        {
            yield return new($"{at}.material.recipeId",
                "A line is laid from one of the piece's recipes, and not from a second cup of one.");
        }

        if (line.Course is DrawnCourse && !SpotsAreSound(line))
        {
            yield return new($"{at}.course.spots",
                $"A line runs through 2 to {DrawnCourse.Most} spots, each {Accepted.PlaceMm.Words} from the left and from the top.");
        }

        if (line.Course is RoundCourse round)
        {
            if (line is not { LayerId: null, In: null, IsBarrier: true } || line.Region != RegionId.OfDam(round.Spot)
                || (piece.Kept ?? []).All(k => k.Id != round.Spot))
            {
                yield return new(at, "A line round a reserved spot is a dam through all layers.");
            }

            yield break;
        }

        if (line.In is not { } drawn || piece.Layers.FirstOrDefault(l => l.Id == line.LayerId) is not { } layer
            || layer.LaidOutBy(drawn.Zone) is not { } layout
            || layer.AsideIn(drawn.Zone).Append(layout).FirstOrDefault(l => LayoutKinds.Of(l) == drawn.Kind) is not { } own)
        {
            yield return new($"{at}.in", "A line is drawn in a layout of one of the piece's layers.");
        }
        else if (IsOfPools(line) ? !IsWall(line, own, drawn.Zone) : !IsLaidOn(line, own, drawn.Zone))
        {
            yield return new($"{at}.region", IsOfPools(line) ? "Walls of pools are drawn by hand, and are the region 'wall'."
                : "A line is a region that its layer does not have otherwise.");
        }
    }

    private static IEnumerable<ValidationFailure> OfCourse(Course course, string at)
    {
        switch (course)
        {
            case BorderCourse border when !Accepted.OffBorderMm.Contains(border.OffMm):
                yield return new($"{at}.offMm", Accepted.OffBorderMm.Sentence);
                break;
            case BorderCourse border when !Accepted.BorderShare.Contains(border.From):
                yield return new($"{at}.from", (Accepted.BorderShare with { What = "Begin of the line" }).Sentence);
                break;
            case BorderCourse border when !Accepted.BorderShare.Contains(border.To):
                yield return new($"{at}.to", (Accepted.BorderShare with { What = "End of the line" }).Sentence);
                break;
            case RingCourse ring when !Accepted.PlaceMm.Contains(ring.XMm):
                yield return new($"{at}.xMm", (Accepted.PlaceMm with { What = "Ring from the left" }).Sentence);
                break;
            case RingCourse ring when !Accepted.PlaceMm.Contains(ring.YMm):
                yield return new($"{at}.yMm", (Accepted.PlaceMm with { What = "Ring from the top" }).Sentence);
                break;
            case RingCourse ring when !Accepted.RingMm.Contains(ring.DiameterMm):
                yield return new($"{at}.diameterMm", Accepted.RingMm.Sentence);
                break;
            case RingCourse { Turns: { } turns } when !Accepted.Turns.Contains(turns):
                yield return new($"{at}.turns", Accepted.Turns.Sentence);
                break;
        }
    }

    private static IEnumerable<ValidationFailure> OfPaste(PasteLine paste, string at)
    {
        if (!Enum.IsDefined(paste.Stiffness))
        {
            yield return new($"{at}.stiffness", "A paste is crumbly, holds its shape, creeps or pours.");
        }

        if (paste.Granules is not { IsDefault: false, Length: > 0 and <= PasteLine.Most } all)
        {
            yield return new($"{at}.granules", $"A paste has 1 to {PasteLine.Most} kinds of granules in it.");
            yield break;
        }

        if (!Unique(all.Select(g => g.StoneId)))
        {
            yield return new($"{at}.granules", "Each kind of granules is in a paste once.");
        }

        for (var i = 0; i < all.Length; i++)
        {
            if (!Accepted.GranuleParts.Contains(all[i].Parts))
            {
                yield return new($"{At($"{at}.granules", i)}.parts", Accepted.GranuleParts.Sentence);
            }
        }
    }

    /// <summary>Whether it is a wall that pools are laid out by; one of another layout parts what is laid out.</summary>
    private static bool IsOfPools(Line line) => line is { IsBarrier: true, In.Kind: LayoutKind.Pools };

    private static bool IsWall(Line line, Layout own, string? zone) =>
        line.Course is DrawnCourse && own is PoolsLayout && line.Region == PoolsLayout.WallId.In(zone);

    private static bool IsLaidOn(Line line, Layout own, string? zone) =>
        line is { Course: not RoundCourse, Region: { Kept: null, Own.Length: > 0 and <= 40 } region } && region.Zone == zone
        && (line.IsBarrier || region.InLayout != PoolsLayout.WallId) && !own.RegionIds.Contains(region.InLayout);

    private static bool IsSound(Line wall) => Accepted.LineMm.Contains(wall.Section.WidthMm) && SpotsAreSound(wall);

    private static bool SpotsAreSound(Line line) =>
        line.Course is DrawnCourse { Spots: { IsDefault: false, Length: >= 2 and <= DrawnCourse.Most } spots }
        && spots.All(s => Accepted.PlaceMm.Contains(s.XMm) && Accepted.PlaceMm.Contains(s.YMm));

    private static bool AreTooDense(IEnumerable<Line> walls)
    {
        var crowd = new Crowd();
        foreach (var wall in walls)
        {
            crowd.Add([.. ((DrawnCourse)wall.Course).Spots.Select(s => new Coordinate(s.XMm, s.YMm))], wall.Section.WidthMm);
        }

        return crowd.IsTooDense();
    }
}
