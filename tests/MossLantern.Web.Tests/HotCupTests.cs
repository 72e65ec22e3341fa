using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using NodaTime;

namespace MossLantern.Web.Tests;

/// <summary>What is offered against a cup that gets hot, or is poured too late, helps.</summary>
public sealed class HotCupTests
{
    private static readonly PiecePlanner Planner = new(new LayerMapper());

    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);

    public static TheoryData<string> Names => [.. DemoDocuments.All.Select(d => d.Name)];

    /// <summary>A piece of the demo, deep, in a hot room and from one jug.</summary>
    private static Piece Hot(string name, bool oneJug)
    {
        var piece = DemoDocuments.All.Single(d => d.Name == name).Piece;
        var own = piece.Recipes.Where(r => r.Of is null).Select(r => r.Id);
        return piece with
        {
            Layers = [.. piece.Layers.Select(l => l with { DepthMm = 6 })],
            Sittings = [.. piece.Sittings.Select(s => s with
            {
                RoomC = 30, Tools = new(JugMl: 20_000), Batches = oneJug ? [new("one", [.. own])] : null,
            })],
        };
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_press_against_a_hot_or_late_cup_leaves_none_in_what_it_touches(string name)
    {
        var offered = 0;
        foreach (var piece in new[] { Hot(name, true), Hot(name, false) })
        {
            var plan = Planner.Plan(piece, [], Around);
            foreach (var finding in plan.Findings.Where(f => f.Check is "cup-too-big" or "clock"))
            {
                Assert.NotEmpty(finding.Remedies);
                foreach (var remedy in finding.Remedies.Where(r => !r.Edits.IsEmpty))
                {
                    offered++;
                    var to = Editing.Checked(piece, remedy.Edits, Cupboard.Of(Around.Catalogue)).Piece!;
                    var touched = to.Sittings.Select(s => s.Id)
                        .Where(id => id == finding.Pin.SittingId || piece.Sittings.All(s => s.Id != id)).ToHashSet();
                    var left = Planner.Plan(to, [], Around).Findings
                        .Where(f => f.Check == finding.Check && f.Grade <= Grade.Mend && touched.Contains(f.Pin.SittingId!)).ToList();
                    Assert.True(left.Count == 0, $"{finding.Key}: {remedy.Label} leaves {string.Join(", ", left.Select(f => f.Key))}");
                }
            }
        }

        Assert.True(offered > 0 || name != "marsh light");
    }
}
