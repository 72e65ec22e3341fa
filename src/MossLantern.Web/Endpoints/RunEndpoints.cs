using System.Collections.Immutable;
using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Pieces;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;
using Ranges = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>A poured amount.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="PouredMl">What was poured, ml; null where nobody noted it.</param>
public sealed record SaveRunPour(string RegionId, double? PouredMl);

/// <summary>What really happened to a layer, based on a version; 0 is a new run. Times are the workshop's local time.</summary>
public sealed record SaveRun(
    int BasedOn, string LayerId, LocalDateTime Start, LocalDateTime? End, double? RoomC, string Note, ImmutableArray<SaveRunPour> Pours);

/// <summary>Endpoints of the log.</summary>
internal static class RunEndpoints
{
    private const int LongestNote = 4000;

    public static void MapRuns(this IEndpointRouteBuilder app) =>
        app.MapPut("/api/pieces/{id}/runs/{runId:guid}", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, Guid runId, SaveRun request, Workbench workbench, PieceStore pieces, RunStore runs, WorkshopTime time) =>
        {
            if (pieces.Find(id) is not { } stored)
            {
                return PieceEndpoints.NoPiece();
            }

            var zone = time.Zone;
            var kept = runs.Of(id);
            var key = runId.ToString("n");
            Check(request, stored.Piece, zone, time.Now);
            var layer = stored.Piece.Layers.Single(l => l.Id == request.LayerId);
            var steps = workbench.Plan(stored.Piece, kept).Layers.Single(l => l.LayerId == layer.Id).Steps;

            // What was planned when it was first logged stays what was planned.
            var before = kept.FirstOrDefault(r => r.Id == key)?.Pours.ToDictionary(p => p.RegionId) ?? [];
            var poured = request.Pours.ToDictionary(p => p.RegionId, p => p.PouredMl);
            var pours = steps.Select(s => before.GetValueOrDefault(s.RegionId)
                    ?? new RunPour(s.RegionId, layer.Cups.Single(c => c.Id == s.CupId).Name, s.PourMl.Value, null))
                .Concat(before.Values.Where(p => steps.All(s => s.RegionId != p.RegionId)))
                .Select(p => p with { PouredMl = poured.GetValueOrDefault(p.RegionId) });
            runs.Save(
                new(key, id, layer.Id, 0, zone.AtLeniently(request.Start).ToInstant(),
                    request.End is { } end ? zone.AtLeniently(end).ToInstant() : null,
                    request.RoomC, request.Note.Trim(), [.. pours]),
                request.BasedOn, time.Now);
            return TypedResults.Ok(workbench.View(stored));
        });

    private static void Check(SaveRun request, Piece piece, DateTimeZone zone, Instant now)
    {
        var errors = new List<ValidationFailure>();
        void Refuse(bool refused, string field, string sentence)
        {
            if (refused)
            {
                errors.Add(new(field, sentence));
            }
        }

        Refuse(piece.Layers.All(l => l.Id != request.LayerId), "layerId", "The piece has no such layer.");
        Refuse(request.Start.Year is < 2000 or >= 2200, "start", "The start must be in the years 2000 to 2199.");
        Refuse(zone.AtLeniently(request.Start).ToInstant() > now + Duration.FromMinutes(1), "start",
            "What happened cannot start in the future; plan it under Cure instead.");
        Refuse(request.End < request.Start, "end", "The last pour cannot be before the first.");
        Refuse(request.End > request.Start.PlusDays(2), "end", "The last pour must be within two days of the first.");
        Refuse(request.RoomC is { } room && !Ranges.RoomC.Contains(room), "roomC", Ranges.RoomC.Sentence);
        Refuse(request.Note.Length > LongestNote, "note", $"A note has up to {LongestNote} characters.");
        Refuse(request.Pours.GroupBy(p => p.RegionId).Any(g => g.Count() > 1), "pours", "Each region may be named once.");
        for (var i = 0; i < request.Pours.Length; i++)
        {
            Refuse(request.Pours[i].PouredMl is { } ml && !Ranges.PouredMl.Contains(ml),
                string.Create(CultureInfo.InvariantCulture, $"pours[{i}].pouredMl"), Ranges.PouredMl.Sentence);
        }

        if (errors.Count > 0)
        {
            throw new ValidationException(errors);
        }
    }
}
