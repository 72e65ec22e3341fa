using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Pouring;

/// <summary>Something that has to dry before a sitting pours: a wall, a dam, a raised line, or what the person puts on besides.</summary>
/// <param name="Id">The line or the drying.</param>
/// <param name="Name">What it is called.</param>
/// <param name="What">The same as a sentence begins with it.</param>
/// <param name="Dry">How long until resin may meet it, h; null while nobody has said.</param>
/// <param name="Ready">From when resin may meet it, in local time; null while it is not on, or its hour was not noted.</param>
/// <param name="BeforeId">The sitting that it has to be ready for; null where none pours there.</param>
/// <param name="Laid">Whether it is on.</param>
/// <remarks>Source: docs/craft/walls.md, What else dries.</remarks>
public sealed record Waits(string Id, string Name, string What, Reckoned? Dry, LocalDateTime? Ready, string? BeforeId, bool Laid)
{
    /// <summary>Typical times until resin may meet it, h.</summary>
    public const double CrackleHours = 3, GlueHours = 12, MaskHours = 2;

    /// <summary>All that has to dry for a layer.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="lines">What was worked out for its lines.</param>
    /// <param name="around">What it is worked out in.</param>
    public static ImmutableArray<Waits> Of(Piece piece, FilledLayer layer, ImmutableArray<LinePlan> lines, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(around);
        var own = (piece.Lines ?? []).ToDictionary(l => l.Id);
        return
        [
            .. lines.Where(l => l.BeforeId is not null)
                .Select(l => new Waits(l.LineId, l.Name, Said(own[l.LineId], l.Name), l.Dry, l.Ready, l.BeforeId,
                    own[l.LineId].Laid is not null)),
            .. (piece.Dries ?? []).Where(d => d.LayerId == layer.Id).Select(d => Of(piece, d, around.Zone)),
        ];
    }

    private static Waits Of(Piece piece, Drying drying, DateTimeZone zone)
    {
        double? typical = drying.Kind switch
        {
            DryingKind.CracklePaste => CrackleHours,
            DryingKind.Glue => GlueHours,
            DryingKind.Mask => MaskHours,
            _ => null,
        };
        var dry = (drying.Hours ?? typical) is not { } hours ? null : Reckoned.Of(hours, "h", Formulas.Drying,
            new ReckonedInput("time by its label, or typical", hours, "h",
                drying.Hours is null ? Origin.Default : Origin.Own, PlaceIn.Drying(drying.Id) + ".hours"));
        return new(drying.Id, drying.Called, $"\"{drying.Called}\"", dry,
            drying.Laid?.At is { } at && dry is not null ? (zone.AtLeniently(at) + Duration.FromHours(dry.Value)).LocalDateTime : null,
            LinePlan.FirstOf(piece, drying.LayerId)?.Id, drying.Laid is not null);
    }

    private static string Said(Line line, string name) => line switch
    {
        { Course: RoundCourse } => $"The dam {name}",
        { IsBarrier: true } => $"The wall, {name},",
        _ => $"The raised line {name}",
    };
}
