using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Curing;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A window of a sitting as what it follows from, whatever the time is now and however warm the room turns out to be.</summary>
/// <param name="SittingId">The sitting.</param>
/// <param name="LayerId">The lowest layer that it fills.</param>
/// <param name="Name">The sitting's name.</param>
/// <param name="Poured">Whether it has really been poured.</param>
/// <param name="Milestone">What for.</param>
/// <param name="Age">The ages that it opens and closes at, and what they count from.</param>
/// <param name="RoomC">How warm it is where it cures, °C; null where that is the workshop's room.</param>
/// <param name="Half">Whether some of its regions are still to be poured.</param>
public sealed record KeptWindow(string SittingId, string LayerId, string Name, bool Poured, Milestone Milestone,
    WindowAge Age, double? RoomC, bool Half = false)
{
    /// <summary>When it opens and closes.</summary>
    /// <param name="workshop">The workshop's room.</param>
    public (Instant Opens, Instant? Closes) In(RoomCurve workshop)
    {
        var room = RoomC is { } own ? RoomCurve.Constant(own) : workshop;
        return (Age.OpensIn(room), Age.ClosesIn(room));
    }
}

/// <summary>What is worked out of a piece and asked for again and again.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Of">What it was worked out from: the version, the journal, the surroundings and the program.</param>
/// <param name="FootMm">How far its box reaches below its outline, mm.</param>
/// <param name="Layers">How many layers it has.</param>
/// <param name="Poured">How many of them are done.</param>
/// <param name="Begun">How many of them something was poured of, that are not done.</param>
/// <param name="BeneathId">The piece of the shelf that lies beneath it and is shown with it; null for none.</param>
/// <param name="Problem">Why it cannot be worked out; null where it can.</param>
/// <param name="Windows">The windows of the layers that nothing has been poured over.</param>
/// <param name="Pots">What it takes out of pots of paint.</param>
public sealed record KeptPlan(
    string PieceId, string Of, double FootMm, int Layers, int Poured, int Begun, string? BeneathId, string? Problem,
    ImmutableArray<KeptWindow> Windows, ImmutableArray<PotTake> Pots);

/// <summary>A piece on the shelf by its row alone: its document is not read.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">Its version.</param>
/// <param name="Logged">How often its journal was written in.</param>
/// <param name="SavedAt">When it was last changed.</param>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="HeightMm">Its height, mm.</param>
public sealed record PieceHead(string Id, string Name, int Version, int Logged, Instant SavedAt, double WidthMm, double HeightMm);

/// <summary>Keeps what is worked out of pieces, as rows beside them. All of it can be worked out again.</summary>
public sealed class KeptPlanStore(WorkshopDatabase database)
{
    private sealed class Row
    {
        public required string PieceId { get; init; }

        public required string Of { get; init; }

        public double FootMm { get; init; }

        public long Layers { get; init; }

        public long Poured { get; init; }

        public long Begun { get; init; }

        public string? BeneathId { get; init; }

        public string? Problem { get; init; }
    }

    private sealed class WindowRow
    {
        public required string PieceId { get; init; }

        public string? SittingId { get; init; }

        public required string LayerId { get; init; }

        public required string LayerName { get; init; }

        public long Poured { get; init; }

        public required string Milestone { get; init; }

        public double OpensHours { get; init; }

        public double? ClosesHours { get; init; }

        public double ReferenceC { get; init; }

        public required string CountsFrom { get; init; }

        public required string ClosesFrom { get; init; }

        public double? RoomC { get; init; }

        public long Half { get; init; }
    }

    private sealed class PotRow
    {
        public required string PieceId { get; init; }

        public required string PotId { get; init; }

        public required string What { get; init; }

        public double Ml { get; init; }

        public long OfGround { get; init; }

        public long Taken { get; init; }

        public string? TakenAt { get; init; }
    }

    /// <summary>Everything that is kept.</summary>
    public ImmutableArray<KeptPlan> All() => database.Read<ImmutableArray<KeptPlan>>(connection =>
    {
        var windows = connection.Query<WindowRow>(
            """
            select piece_id as PieceId, sitting_id as SittingId, layer_id as LayerId, layer_name as LayerName,
              poured as Poured, milestone as Milestone,
                opens_hours as OpensHours, closes_hours as ClosesHours, reference_c as ReferenceC,
                  counts_from as CountsFrom, closes_from as ClosesFrom, room_c as RoomC, half as Half
            from kept_window order by piece_id, position
            """).ToLookup(w => w.PieceId);
        var pots = connection.Query<PotRow>(
            """
            select piece_id as PieceId, pot_id as PotId, what as What, ml as Ml, of_ground as OfGround,
              taken as Taken, taken_at as TakenAt from kept_pot_take order by piece_id, position
            """).ToLookup(t => t.PieceId);
        return
        [
            .. connection.Query<Row>(
                """
                select piece_id as PieceId, of as Of, foot_mm as FootMm, layers as Layers, poured as Poured, begun as Begun,
                  beneath_id as BeneathId, problem as Problem from kept_plan
                """)
                .Select(r => new KeptPlan(
                    r.PieceId, r.Of, r.FootMm, (int)r.Layers, (int)r.Poured, (int)r.Begun, r.BeneathId, r.Problem,
                    [
                        .. windows[r.PieceId].Select(w => new KeptWindow(
                            w.SittingId ?? w.LayerId, w.LayerId, w.LayerName, w.Poured != 0, Enum.Parse<Milestone>(w.Milestone),
                            new(w.OpensHours, w.ClosesHours, w.ReferenceC, Times.Read(w.CountsFrom), Times.Read(w.ClosesFrom)), w.RoomC,
                                w.Half != 0)),
                    ],
                    [.. pots[r.PieceId].Select(t => new PotTake(t.PotId, t.What, t.Ml, t.OfGround != 0, t.Taken != 0,
                        t.TakenAt is null ? null : Times.Read(t.TakenAt)))])),
        ];
    });

    /// <summary>Keeps what was worked out, in place of what was kept of the same pieces. A piece that is gone is passed over.</summary>
    public void Keep(IReadOnlyCollection<KeptPlan> plans) => database.Write(connection =>
    {
        foreach (var plan in plans)
        {
            connection.Execute("delete from kept_plan where piece_id = @PieceId", new { plan.PieceId });
            var kept = connection.Execute(
                """
                insert into kept_plan (piece_id, of, foot_mm, layers, poured, begun, beneath_id, problem)
                select @PieceId, @Of, @FootMm, @Layers, @Poured, @Begun, @BeneathId, @Problem
                where exists (select 1 from piece where id = @PieceId)
                """,
                new { plan.PieceId, plan.Of, plan.FootMm, plan.Layers, plan.Poured, plan.Begun, plan.BeneathId, plan.Problem });
            if (kept > 0)
            {
                connection.Execute(
                    """
                    insert into kept_window (piece_id, position, sitting_id, layer_id, layer_name, poured,
                      milestone, opens_hours, closes_hours, reference_c, counts_from,
                        closes_from, room_c, half)
                    values (@PieceId, @position, @SittingId, @LayerId, @Name, @Poured, @milestone, @OpensHours,
                      @ClosesHours, @ReferenceC, @from, @closesFrom, @RoomC, @Half)
                    """,
                    plan.Windows.Select((w, i) => new
                    {
                        plan.PieceId,
                        position = i,
                        w.SittingId,
                        w.LayerId,
                        w.Name,
                        w.Poured,
                        milestone = w.Milestone.ToString(),
                        w.Age.OpensHours,
                        w.Age.ClosesHours,
                        w.Age.ReferenceC,
                        from = Times.Write(w.Age.From),
                        closesFrom = Times.Write(w.Age.ClosesFrom),
                        w.RoomC,
                        w.Half,
                    }));
                connection.Execute(
                    """
                    insert into kept_pot_take (piece_id, position, pot_id, what, ml, of_ground, taken, taken_at)
                    values (@PieceId, @position, @PotId, @What, @Ml, @OfGround, @Taken, @at)
                    """,
                    plan.Pots.Select((t, i) => new
                    {
                        plan.PieceId,
                        position = i,
                        t.PotId,
                        t.What,
                        t.Ml,
                        t.OfGround,
                        t.Taken,
                        at = t.At is { } at ? Times.Write(at) : null
                    }));
            }
        }

        return plans.Count;
    });
}
