using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A rim or an insert is cast of mould rubber.</summary>
/// <param name="Insert">The insert of the mould; null for a rim all round.</param>
public sealed record CastOfRubber(string? Insert) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Insert is null ? "cast a rim of rubber" : "cast an insert of rubber";

    private protected override Ground? Change(Ground ground, Cupboard cupboard)
    {
        var all = ground.Rubber ?? [];
        var insert = Insert is null ? null : ground.Mould?.Insert(Insert);
        return all.Length >= RubberCast.Most || (Insert is not null && insert is null) || all.Any(r => r.InsertId == Insert) ? null
            : ground with
            {
                Rubber = all.Add(new(FreeId.Of("rubber", all.Select(r => r.Id)), Insert,
                    HeightMm: Math.Clamp(insert?.HeightMm ?? ground.SideHeightMm,
                        Accepted.RubberHeightMm.From, Accepted.RubberHeightMm.To))),
            };
    }

    private protected override string Place => "ground.rubber";

    private protected override string Refusal => "A rim, and each insert of the mould, is cast of rubber once.";
}

/// <summary>Something is not cast of rubber after all.</summary>
/// <param name="Id">What was.</param>
public sealed record LeaveRubberOut(string Id) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave the rubber out";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        (ground.Rubber ?? []).FirstOrDefault(r => r.Id == Id) is { } rubber
            ? ground with { Rubber = ground.Rubber!.Value.Remove(rubber) is { IsEmpty: false } left ? left : null } : null;

    private protected override string Place => $"ground.rubber[{Id}]";

    private protected override string Refusal => "That is no longer cast of rubber.";
}
