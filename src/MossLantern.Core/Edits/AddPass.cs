using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>
/// One more pass over a region, in the same sitting or in another: clear below a colour, or clear that locks it in.
/// What the region is filled
/// with already makes room for it.
/// </summary>
/// <param name="Layer">The layer.</param>
/// <param name="Region">The region.</param>
/// <param name="Sitting">The sitting that pours it; null for the one that pours the region last.</param>
/// <param name="Below">Whether it is poured before all others, and not after them.</param>
/// <param name="Recipe">What it is poured from; null for clear resin.</param>
/// <param name="Rest">Whether it takes all that is left of what the region aims at: of what was poured already, by its log.</param>
public sealed record AddPass(string Layer, RegionId Region, string? Sitting, bool Below, string? Recipe, bool Rest = false) : Edit
{
    /// <summary>A pass takes so much of what the region aims at, and is told to so many mm.</summary>
    private const double Share = 1 / 3.0;

    private const double LeastMm = 0.1;

    /// <inheritdoc/>
    public override string Words(Piece before) => Below ? "pour a pass below it" : "pour a pass over it";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Layer, [Region]) is { } refused)
        {
            return refused;
        }

        var layer = piece.Layers.Single(l => l.Id == Layer);
        if (!layer.HasDepth(Region) || (layer.Bare ?? []).Contains(Region))
        {
            return Edited.No(PlaceIn.Region(Layer, Region), "This is poured by the millilitre or not at all, so it has no passes.");
        }

        var (to, recipe) = (piece, Recipe);
        if (recipe is null)
        {
            (to, recipe) = LaidOut.ClearIn(piece, piece.Recipes);
        }
        else if (piece.Recipes.All(r => r.Id != recipe))
        {
            return Edited.No(PlaceIn.Recipe(recipe), "There is no such colour.");
        }

        var rest = to.SittingOf(Layer);
        if (!to.Sittings.SelectMany(s => s.Fills ?? []).Any(f => f.LayerId == Layer && f.Region == Region))
        {
            var whole = new Fill(Filling.FreeFill(to), Layer, Region);
            to = Filling.On(to, rest.Id, s => s with { Fills = (s.Fills ?? []).Add(whole) });
        }

        var last = to.Sittings.Last(s => (s.Fills ?? []).Any(f => f.LayerId == Layer && f.Region == Region));
        var id = Sitting ?? (Below ? to.Sittings.First(s => (s.Fills ?? []).Any(f => f.LayerId == Layer && f.Region == Region)) : last).Id;
        if (Filling.Unknown(to, id) is { } unknown)
        {
            return unknown;
        }

        var aim = layer.AimMm(Region);
        double? takes = null;
        if (!Rest)
        {
            (to, takes) = Beside(to, aim);
        }

        var pass = new Fill(Filling.FreeFill(to), Layer, Region, recipe, takes);
        to = Filling.On(to, id, s => s with { Fills = Below ? (s.Fills ?? []).Insert(0, pass) : (s.Fills ?? []).Add(pass) });
        return new(to, null, $"{PlaceIn.Sitting(id)}.fills[{pass.Id}]");
    }

    /// <summary>How deep a pass is that others make room for, and the piece with that room.</summary>
    private (Piece Piece, double Mm) Beside(Piece piece, double aim)
    {
        var mm = Math.Max(LeastMm, Math.Round(aim * Share * 2) / 2 is var half && half < aim ? half : Math.Round(aim * Share, 1));
        return (MadeRoom(piece, aim, mm), mm);
    }

    /// <summary>Where no pass takes what the others leave, the deepest gives up what the new one takes.</summary>
    private Piece MadeRoom(Piece piece, double aimMm, double mm)
    {
        var own = piece.Sittings.SelectMany(s => s.Fills ?? []).Where(f => f.LayerId == Layer && f.Region == Region).ToList();
        if (own.Any(f => f.TakesMm is null) || own.Sum(f => f.TakesMm!.Value) + mm <= aimMm || own.MaxBy(f => f.TakesMm) is not { } deepest)
        {
            return piece;
        }

        return Filling.Each(piece, s => s with
        {
            Fills = s.Fills is { } fills
            ? [.. fills.Select(f => f.Id == deepest.Id ? f with { DepthMm = Math.Round(f.TakesMm!.Value - mm, 3) } : f)] : null
        });
    }
}
