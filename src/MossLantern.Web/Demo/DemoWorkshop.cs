using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;

namespace MossLantern.Web.Demo;

/// <summary>The demo: a small studio by a marsh. Its times are offsets from the moment it is seeded.</summary>
public sealed class DemoWorkshop(
    WorkshopDatabase database, PieceStore pieces, RunStore runs, MouldStore moulds, PotStore pots,
    SequenceStore sequences, MaterialStore materials, RecipeStore recipes, LeftOverStore leftOvers,
    SettingStore settings, PriceList prices, PiecePlanner planner, WorkshopTime time)
{
    /// <summary>Seeds a workshop that holds nothing yet: with everything, or, where it is cut short, with nothing.</summary>
    public void SeedWhenEmpty()
    {
        if (pieces.IsEmpty)
        {
            database.Together(() =>
            {
                // What an earlier program left of a seeding that was cut short goes first; a cupboard of one's own is never touched.
                if (settings.Find(SettingStore.Demo) is not null)
                {
                    moulds.Clear();
                    pots.Clear();
                    sequences.Clear();
                    materials.Clear();
                    recipes.Clear();
                    leftOvers.Clear();
                }

                Seed();
            });
        }
    }

    /// <summary>The studio's own colourants: each like one of the typical, with its colour, how full its jar is, and
    /// how much a level scoop of it weighs. And how full its bottle of casting resin is.</summary>
    private void Colourants(Instant now)
    {
        void Own(string id, string name, string like, string colour, double leftPercent, params ReadOnlySpan<(string, double)> values)
        {
            var own = ImmutableSortedDictionary<string, double>.Empty;
            foreach (var (property, value) in values)
            {
                own = own.Add(property, value);
            }

            materials
                .Save($"colourant/{id}", 0, new(MaterialKind.Colourant, name, like, own, Colour: colour, LeftPercent: leftPercent), now);
        }

        Own("fen-gold", "fen gold", "mica", "#c9a23b", 70, (MaterialProperties.ScoopG, 0.12));
        Own("reed-green", "reed green", "mica", "#5f7d45", 45, (MaterialProperties.ScoopG, 0.12));
        Own("heather-pearl", "heather pearl", "mica", "#8d7aa3", 85, (MaterialProperties.ScoopG, 0.11));
        Own("mist", "mist", "interference", "#b9cbd2", 30);
        Own("chalk", "chalk white", "paste", "#f5f1e6", 60);
        Own("soot", "soot black", "paste", "#24231f", 90);
        Own("clay", "red clay", "paste", "#8f4322", 40);
        Own("copper", "old copper", "metallic-paste", "#b5713f", 15);
        Own("amber-ink", "amber ink", "dye", "#b5651d", 55);
        Own("mere-ink", "mere ink", "dye", "#2f6672", 80, (MaterialProperties.DropMl, 0.04));
        Own("ochre", "ochre", "acrylic", "#c08a3a", 35);
        Own("frost", "frost flakes", "glitter", "#dfe4e2", 65);
        var casting = Catalogue.Typical.Resin("casting")!;
        materials.Save("resin/casting", 0,
            new(MaterialKind.Resin, casting.Name, casting.Id, ImmutableSortedDictionary<string, double>.Empty, LeftPercent: 40), now);
    }

    private void Seed()
    {
        var now = time.Now;
        var today = now.InZone(time.Zone).LocalDateTime;
        settings.Set(SettingStore.Demo, "seeded");
        Moulds(now);
        pots.Save("peat-black", 0, new("Peat black", "#2b2a26", PaintKind.Water, 220,
            "Two black, one umber; the ground of Sundew Pair.", now - Duration.FromDays(20)), now);
        pots.Save("reed-cream", 0, new("Reed cream", "#e8dcc0", PaintKind.Water, 65, "White with a spoon of ochre.", now), now);
        Colourants(now);
        prices.Now = new("€", Prices.None.PerLitre.Add("primer", 14).Add("resin", 38));
        var marsh = pieces.Add("marsh-light", DemoPieces.MarshLight(), now - Duration.FromDays(2)).Piece;

        // The first layer was poured yesterday; the second an hour and three quarters ago, so its tape comes off soon.
        Log("marsh-light", marsh, 0, now - Duration.FromHours(25), 24, 20.5,
            "Amber ran a little towards the lower left.", [0.5, 0, -0.5, 1]);
        Log("marsh-light", marsh, 1, now - Duration.FromMinutes(105), 18, 21.5, "", [0, 1]);
        pieces.Add("bogbean-round", DemoPieces.BogbeanRound(), now - Duration.FromDays(1));

        var kiln = pieces.Add("old-kiln", DemoPieces.OldKiln(), now - Duration.FromDays(1)).Piece;
        Log("old-kiln", kiln, 0, now - Duration.FromHours(20), 35, 19.5,
            "Improvised over the sanded panel: what was left of rust and ash, no plan. The old rings come through where it is thin.",
            [4, -6, 9]);
        pieces.Add("sundew-pair", DemoPieces.SundewPair(today.PlusHours(-2)), now - Duration.FromHours(6));
        var peat = pieces.Add("peat-pool", DemoPieces.PeatPool(), now - Duration.FromDays(3)).Piece;
        Log("peat-pool", peat, 0, now - Duration.FromHours(9), 22, 20,
            "Clear pushed the lines out nicely; the lower left crept back.", [1, 0, -1]);
        sequences.Save("peat-tea", 0, KeptSequence.Of((BandedLayout)peat.Layers[0].Layout, peat.Recipes, "Peat tea",
            220) with
        { Note = "Tea, cream and glint twice; push with clear until the lichen touches the rim." }, now);
        var marigold = pieces.Add("marigold-dozen", DemoPieces.MarigoldDozen(), now - Duration.FromDays(6)).Piece;
        Log("marigold-dozen", marigold, 0, now - Duration.FromDays(4), 25, 21, "First five. Recipe kept.", [0, 2]);
        recipes.Save("marigold", 0, KeptRecipe.Of(marigold.Recipes.Single(r => r.Id == "marigold"), marigold.Recipes,
            "For the tea room: five at first, twelve in all."), now);
        recipes.Save("fen-glow", 0, new(
            new("fen-glow", "Fen glow", "#c9a23b",
                [new(ColourantClass.Mica, 3, ColourantId: "fen-gold", Colour: "#c9a23b"),
                    new(ColourantClass.Dye, 0.4, ColourantId: "amber-ink", Colour: "#b5651d"),
                    new(ColourantClass.Glitter, 1, ColourantId: "frost", Colour: "#dfe4e2")]),
            [], "Two scoops of gold to a small cup; frost in last."), now);
        leftOvers.Save("amber-stones", 0, new("amber", "#d07d1c", LeftOverUse.CastStones, 64, ""), now);
        leftOvers.Save("moss-round", 0, new("moss", "#30503a", LeftOverUse.SpareCasting, 48, ""), now);

        pieces.Add("sphagnum-pools", DemoPieces.SphagnumPools(), now - Duration.FromHours(30));
        pieces.Add("water-mint", DemoPieces.WaterMint(), now - Duration.FromHours(29));
        pieces.Add("heron-tray", DemoPieces.HeronTray(), now - Duration.FromHours(28));
        pieces.Add("rain-ring", DemoPieces.RainRing(), now - Duration.FromHours(27));

        // Planned for the day after tomorrow in the morning; the board was sealed this morning.
        pieces.Add("bracken-slice",
            DemoPieces.BrackenSlice(today.Date.PlusDays(2) + new LocalTime(9, 30), today.PlusHours(-3)), now - Duration.FromHours(5));
    }

    /// <summary>Moves a demo's file out of the way, so that the demo is seeded anew.</summary>
    /// <exception cref="WorkshopFileException">The file holds a person's own workshop.</exception>
    public static void SetAside(string folder, Instant now)
    {
        var path = Path.Combine(folder, WorkshopDatabase.FileName);
        WorkshopDatabase.FinishSwap(folder);
        if (!File.Exists(path))
        {
            return;
        }

        if (new SettingStore(WorkshopDatabase.Open(folder, now)).Find(SettingStore.Demo) is null)
        {
            throw new WorkshopFileException($"{path} is a workshop of your own, not the demo; it was left as it is.");
        }

        WorkshopDatabase.MoveAside(folder, "before-fresh", now);
    }

    private void Log(string id, Piece piece, int sittingIndex, Instant start, int minutes, double roomC, string note, double[] differences)
    {
        var sitting = planner.Plan(piece, [], Surroundings.Usual(time.Zone)).Sittings[sittingIndex];
        var steps = sitting.Pours;

        // Nobody pours more than is in the cup.
        var left = sitting.Cups.Cups.ToDictionary(c => c.CupId, c => c.MixMl.Value);
        runs.Save(
            new(Guid.NewGuid().ToString("n"), 0, new(id, sitting.SittingId), start, start + Duration.FromMinutes(minutes), roomC, note,
            [
                .. steps.Select((s, i) =>
                {
                    var ml = Math.Min(Math.Round(s.PourMl.Value + differences[i % differences.Length]), Math.Floor(left[s.CupId]));
                    left[s.CupId] -= ml;
                    var name = piece.Recipes.Single(c => c.Id == s.CupId).Name;
                    return LoggedPour.Of(s.LayerId, s.RegionId, name, s.PourMl.Value, ml, s.Pass) with
                    {
                        ThatIsAll = ml < LoggedPour.DoneShare * s.PourMl.Value,
                    };
                }),
            ]),
            0, time.Now);
    }

    /// <summary>The studio's own moulds.</summary>
    private void Moulds(Instant now)
    {
        moulds.Save("marsh-round", 0,
            new("Marsh round", new RoundOutline(98), 10, CapacityFrom.Dimensions, null, 1, 5, "Glossy floor, rim rounded."), now);
        moulds.Save("peat-tray", 0, new("Peat tray", new OvalOutline(320, 220), 18, CapacityFrom.Water, 975, 1, 1,
            "Leaning sides: 975 ml of water to the brim."), now);
        moulds.Save(
            "pebbles", 0,
            new(
                "Three pebbles", new DrawnOutline(DemoPieces.Pebbles), 14, CapacityFrom.Dimensions, null, 1, 2,
                "Three sizes in one mould, for what is left over.",
                [new(1, 14), new(2, 10), new(3, 7)]),
            now);
        moulds.Save("bog-slab", 0,
            new("Bog slab", new RectangleOutline(240, 160), 22, CapacityFrom.Maker, 830, 1, 1, "Takes inserts."), now);
        moulds.Note(new("marsh-round", now - Duration.FromDays(31), "Trial with casting resin, 9 mm in one pour", 2, 58), now);
        moulds.Note(new("peat-tray", now - Duration.FromDays(12), "Washed and rested; a dull spot near the left end", 0, null), now);
    }
}
