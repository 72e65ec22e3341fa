using System.Collections.Immutable;
using System.Text.Json.Serialization;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Curing;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Grounds;

/// <summary>A mould as it is kept in the workshop's library.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Outline">Outline of a cavity; a drawn one of several parts is a mould with different cavities.</param>
/// <param name="DepthMm">Depth of a cavity, mm.</param>
/// <param name="From">How it is known what a cavity holds.</param>
/// <param name="CapacityMl">What a cavity holds, ml, where it was measured or stated.</param>
/// <param name="CavitiesEach">How many such cavities one mould has.</param>
/// <param name="Owned">How many of these moulds there are.</param>
/// <param name="Note">A note; may be empty.</param>
/// <param name="CavityDepths">Depth of cavities of a drawn outline that are deeper or shallower; null for none.</param>
/// <remarks>Source: docs/craft/grounds.md, Mould library.</remarks>
public sealed record LibraryMould(
    string Name, Outline Outline, double DepthMm, CapacityFrom From, double? CapacityMl, int CavitiesEach, int Owned, string Note,
    ImmutableArray<PartDepth>? CavityDepths = null)
{
    /// <summary>Most different moulds that are filled together.</summary>
    public const int MostTogether = 8;

    /// <summary>Gap between moulds that stand beside each other, mm.</summary>
    public const double BesideMm = 15;

    /// <summary>How many pieces can be cast in it at once.</summary>
    [JsonIgnore]
    public int AtOnce => CavitiesEach * Owned;

    /// <summary>A ground that is cast in it, to look it over.</summary>
    public Ground AsGround() => Cast(
        new(new RectangleOutline(100, 100), EdgeStyle.Walled, DepthMm, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone)), [("", this)]);

    /// <summary>What one cavity holds, or all the different ones of a drawn mould.</summary>
    [JsonIgnore]
    public Reckoned Capacity => MouldPlan.CapacityOf(AsGround().Mould!, Outline);

    /// <summary>A ground cast in one mould of the library, or in several different ones that stand beside each other and are filled together.</summary>
    /// <param name="ground">The ground of a casting.</param>
    /// <param name="moulds">The moulds with their ids, at least one.</param>
    public static Ground Cast(Ground ground, ImmutableArray<(string Id, LibraryMould Mould)> moulds)
    {
        ArgumentNullException.ThrowIfNull(ground);
        var was = ground.Mould;
        var ids = moulds.Select(m => m.Id).Where(id => id.Length > 0).ToImmutableArray();
        var first = moulds[0].Mould;
        if (moulds.Length == 1)
        {
            return ground with
            {
                Outline = first.Outline,
                SideHeightMm = first.DepthMm,
                Supports = null,
                Mould = new(
                    first.DepthMm, first.From, first.CapacityMl, was?.Pieces ?? 1, (int)Math.Clamp(first.AtOnce, Accepted.Copies.From, Accepted.Copies.To),
                    Math.Min(was?.KeepMm ?? 0, first.DepthMm / 2), ids, first.CavityDepths),
            };
        }

        var depth = moulds.Max(m => m.Mould.DepthMm);
        var (outline, depths) = Beside([.. moulds.Select(m => m.Mould)], depth);
        return ground with
        {
            Outline = outline,
            SideHeightMm = depth,
            Supports = null,
            Mould = moulds.All(m => m.Mould.From == CapacityFrom.Dimensions)
                ? new(depth, CapacityFrom.Dimensions, null, 1, 1, Math.Min(was?.KeepMm ?? 0, depth / 2), ids, depths)
                : new(depth, CapacityFrom.Water, moulds.Sum(m => m.Mould.Capacity.Value), 1, 1, Math.Min(was?.KeepMm ?? 0, depth / 2), ids, depths),
        };
    }

    /// <summary>The cavities beside each other, and the depth of those that are not the deepest.</summary>
    private static (DrawnOutline Outline, ImmutableArray<PartDepth> Depths) Beside(List<LibraryMould> moulds, double deepest)
    {
        var all = new List<Ring>();
        var placed = new List<(double LeftMm, double DepthMm)>();
        var left = 0.0;
        foreach (var mould in moulds)
        {
            var rings = mould.Outline.Rings;
            double fromX = rings.Min(r => r.Xs.ToArray().Min()), fromY = rings.Min(r => r.Ys.ToArray().Min());
            all.AddRange(rings.Select(r => r.Moved(left - fromX, -fromY)));
            var parts = mould.Outline is DrawnOutline drawn
                ? drawn.Parts.Select((p, i) => (p.Rings[0].Xs.ToArray().Min() - fromX + left, (mould.CavityDepths ?? []).FirstOrDefault(d => d.Part == i + 1)?.DepthMm ?? mould.DepthMm))
                : [(left, mould.DepthMm)];
            placed.AddRange(parts);
            left += rings.Max(r => r.Xs.ToArray().Max()) - fromX + BesideMm;
        }

        // Parts are counted from left to right, as the outline counts them.
        return (
            DrawnOutline.Of(all),
            [.. placed.Select((p, i) => (p, i)).OrderBy(x => x.p.LeftMm).ThenBy(x => x.i).Select((x, n) => new PartDepth(n + 1, x.p.DepthMm)).Where(d => d.DepthMm != deepest)]);
    }

    /// <summary>How hot a film gets in a mould at most, by the model of cure.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="roomC">Room temperature, °C; null where nobody read it.</param>
    public static Reckoned HottestC(Layer layer, double? roomC)
    {
        ArgumentNullException.ThrowIfNull(layer);
        var system = ResinInUse.Of(layer.Resin).System;
        var room = roomC ?? TypicalMaterials.ReferenceC;
        return Reckoned.Of(CureModel.Of(system.WorkingMinutes, system.ReferenceC).Film(layer.DepthMm, room).PeakC, "°C", Formulas.Heat,
            new("depth", layer.DepthMm, "mm", Origin.Own),
            new("working time of 100 g in a cup", system.WorkingMinutes, "min", Origin.Default),
            new("room", room, "°C", roomC is null ? Origin.Default : Origin.Measured));
    }
}

/// <summary>One use of a mould.</summary>
/// <param name="MouldId">The mould.</param>
/// <param name="At">When.</param>
/// <param name="What">What was cast, or what else happened to it.</param>
/// <param name="Castings">How many castings it made.</param>
/// <param name="Hottest">How hot it got at most; null where nobody knows.</param>
public sealed record MouldUse(string MouldId, Instant At, string What, int Castings, Reckoned? Hottest);

/// <summary>Refuses a mould with values outside the accepted ranges.</summary>
public sealed class LibraryMouldValidator : AbstractValidator<LibraryMould>
{
    /// <summary>Most characters of a note.</summary>
    public const int LongestNote = 500;

    private static readonly GroundValidator Grounds = new();

    /// <summary>A validator.</summary>
    public LibraryMouldValidator()
    {
        RuleFor(m => m.Name).Named("The mould's name");
        RuleFor(m => m.Note).Must(n => n.Length <= LongestNote).WithMessage($"A note has up to {LongestNote} characters.");
        RuleFor(m => (double)m.CavitiesEach).In(Accepted.Copies, "Cavities of one mould").OverridePropertyName("cavitiesEach");
        RuleFor(m => (double)m.Owned).In(Accepted.Owned).OverridePropertyName("owned");
        RuleFor(m => m).Custom((mould, context) =>
        {
            const string inMould = "Mould.";
            var ground = mould.AsGround();
            var looked = Grounds.Validate(ground with { Mould = ground.Mould! with { Cavities = 1 } });
            foreach (var failure in looked.Errors)
            {
                var at = failure.PropertyName;
                context.AddFailure(at.StartsWith(inMould, StringComparison.OrdinalIgnoreCase) ? at[inMould.Length..] : at, failure.ErrorMessage);
            }
        });
    }

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<LibraryMould> context, ValidationResult result) =>
        PieceValidator.Within(PieceBounds.Of(context?.InstanceToValidate ?? throw new ArgumentNullException(nameof(context))), result);
}
