using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Pots of paint are drawn down by what is painted and tinted with them.</summary>
public class PotTests
{
    private static readonly Instant Noon = Instant.FromUtc(2026, 5, 4, 12, 0);
    private static readonly Surroundings Around = Surroundings.Usual(DateTimeZone.Utc);
    private static readonly PiecePlanner Planner = new(new LayerMapper());
    private static readonly Piece Rings = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(Samples.Heart(150, 100), 12, 20, 0));

    private static PaintPot Pot(double ml) => new("Fen", "#224433", PaintKind.Water, ml, "", Noon);

    private static PotUse Use(double ml, bool taken, Instant? at = null) => new("Rings", new("pot", "the ground", ml, true, taken, at));

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Piece is not null, made.Refusal);
        return made.Piece!;
    }

    [Fact]
    public void What_was_taken_since_it_was_measured_is_gone_and_what_is_to_come_is_spoken_for()
    {
        var stock = PotStock.Of(Pot(120),
            [Use(30, true, Noon + Duration.FromHours(1)), Use(50, true, Noon - Duration.FromHours(1)), Use(20, false), Use(7, true)]);
        Assert.Equal(83, stock.Left.Value, 1e-9);
        Assert.Equal(20, stock.SpokenFor!.Value, 1e-9);
        Assert.Null(stock.Short);
        Assert.Equal(3, stock.Uses.Length);

        // At the moment itself it was in what was measured.
        Assert.Equal(120, PotStock.Of(Pot(120), [Use(30, true, Noon)]).Left.Value, 1e-9);
        Assert.Null(PotStock.Of(Pot(20), [Use(20, false)]).Short);
        Assert.Equal(0.5, PotStock.Of(Pot(20), [Use(20.5, false)]).Short!.Value, 1e-9);
        Assert.Equal(0, PotStock.Of(Pot(20), [Use(30, true)]).Left.Value, 1e-9);
        Assert.Null(PotStock.Of(Pot(20), []).SpokenFor);
    }

    [Fact]
    public void A_ground_and_a_tint_take_from_a_pot_as_the_plan_says_and_give_it_back_with_the_undo()
    {
        Assert.Empty(Planner.Plan(Rings, [], Around).Pots);
        var painted = Made(Rings with { Ground = Rings.Ground with { Paint = new(PaintKind.Water, 2) } },
            new PaintFromPot("pot"), new TintFromPot("c1", "pot"));
        Assert.Equal("pot", painted.Recipes.Single(r => r.Id == "c1").Doses[0].PotId);
        var plan = Planner.Plan(painted, [], Around);
        var (ground, tint) = (plan.Pots[0], plan.Pots[1]);
        Assert.Equal((true, false), (ground.OfGround, ground.Taken));
        Assert.Equal(plan.Ground.Preparation.Single(s => s.Id == "paint").Amount!.Value, ground.Ml, 1e-9);
        Assert.Equal(plan.Sittings[0].Cups.Cups.Single(c => c.CupId == "c1").Doses.All[0].Ml!.Value, tint.Ml, 1e-9);
        Assert.Contains("Fen in ", tint.What, StringComparison.Ordinal);

        // Ticked and poured, they are taken, when that was.
        var done = Made(painted, new MarkPrepared("paint", true, new LocalDateTime(2026, 5, 4, 18, 0)));
        var poured = Planner.Plan(done, [new("l1", Noon + Duration.FromDays(1), null, null)], Around).Pots;
        Assert.All(poured, t => Assert.True(t.Taken));
        Assert.Equal([Noon + Duration.FromHours(6), Noon + Duration.FromDays(1)], poured.Select(t => t.At!.Value));

        // By eye, or with another paint, nothing is known of it, or nothing taken.
        Assert.Single(Planner.Plan(Made(painted, new DoseColour("c1", 0, 0, DoseUnit.ByEye)), [], Around).Pots);
        Assert.Single(Planner.Plan(Made(painted, new PaintFromPot(null)), [], Around).Pots);
    }
}
