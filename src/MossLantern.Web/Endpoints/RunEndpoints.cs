using System.Collections.Immutable;
using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;
using Ranges = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>A poured amount.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="PouredMl">What was poured, ml; null where nobody noted it.</param>
public sealed record SaveRunPour(RegionId RegionId, double? PouredMl);

/// <summary>
/// What really happened to a layer, based on a version; 0 is a new run. Times are the workshop's local time. What is unlikely
/// is asked about, and taken with <c>evenSo</c>.
/// </summary>
public sealed record SaveRun(
    int BasedOn, string LayerId, LocalDateTime Start, LocalDateTime? End, double? RoomC, string Note, ImmutableArray<SaveRunPour> Pours, bool EvenSo = false);

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
            var before = kept.FirstOrDefault(r => r.Id == key);

            // A region that the piece had when it was poured is known, although the piece has changed since.
            var poured = before?.Revision is { } revision ? pieces.At(id, revision) : null;
            Check(request, stored.Piece, zone, time.Now);
            var layer = stored.Piece.FilledBy(request.LayerId);
            var plan = workbench.Plan(stored.Piece, kept);
            var layerPlan = plan.Layers.Single(l => l.LayerId == layer.Id);
            var steps = layerPlan.Steps;

            Known(request, [.. steps.Select(s => s.RegionId), .. before?.Pours.Select(p => p.RegionId) ?? [],
                .. (poured?.Layers ?? []).Where(l => l.Id == layer.Id).SelectMany(l => l.RegionIds)]);

            if (!request.EvenSo)
            {
                Likely(request, stored.Piece, layer, plan, layerPlan, before is null);
            }

            // What was planned when it was first logged stays what was planned.
            var planned = before?.Pours.ToDictionary(p => p.RegionId) ?? [];
            var amounts = request.Pours.ToDictionary(p => p.RegionId, p => p.PouredMl);
            var pours = steps.Select(s => planned.GetValueOrDefault(s.RegionId)
                    ?? new RunPour(s.RegionId, layer.Recipes.Single(c => c.Id == s.CupId).Name, s.PourMl.Value, null))
                .Concat(planned.Values.Where(p => steps.All(s => s.RegionId != p.RegionId)))
                .Select(p => p with { PouredMl = amounts.GetValueOrDefault(p.RegionId) });
            runs.Save(
                new(key, id, layer.Id, 0, zone.AtLeniently(request.Start).ToInstant(),
                    request.End is { } end ? zone.AtLeniently(end).ToInstant() : null,
                    request.RoomC, request.Note.Trim(), [.. pours], before is null ? stored.Revision : before.Revision),
                request.BasedOn, time.Now);
            return TypedResults.Ok(workbench.View(stored));
        });

    /// <summary>Field of what is asked about rather than refused.</summary>
    private const string EvenSo = "evenSo";

    /// <summary>Asks about what is hardly so: a layer over one that is not in the log, more from a cup than was mixed in it.</summary>
    private static void Likely(SaveRun request, Piece piece, FilledLayer layer, PlanView plan, LayerView layerPlan, bool first)
    {
        List<string> doubts = [];
        var below = piece.Layers.TakeWhile(l => l.Id != layer.Id).LastOrDefault(l => l.Within is null);
        if (first && below is not null && !plan.Layers.Single(l => l.LayerId == below.Id).Poured)
        {
            doubts.Add($"{below.Name} lies below {layer.Name} and is not in the log yet. Is this the right layer?");
        }

        var amounts = request.Pours.ToDictionary(p => p.RegionId, p => p.PouredMl ?? 0);
        foreach (var cup in layerPlan.Cups.Cups)
        {
            var poured = cup.RegionIds.Sum(id => amounts.GetValueOrDefault(id));
            if (poured > cup.MixMl.Value * (1 + MoreThanMixed) && cup.MixMl.Value > 0)
            {
                doubts.Add(string.Create(CultureInfo.InvariantCulture,
                    $"{poured:0.#} ml were poured from {layer.Recipes.Single(c => c.Id == cup.CupId).Name}, and {cup.MixMl.Value:0.#} ml were to be mixed in it. Was more mixed?"));
            }
        }

        if (doubts.Count > 0)
        {
            throw new ValidationException(doubts.Select(d => new ValidationFailure(EvenSo, d)));
        }
    }

    /// <summary>A cup may hold so much more than was to be mixed, as a share, before it is asked about.</summary>
    private const double MoreThanMixed = 0.05;

    /// <summary>Refuses amounts of regions that the layer does not have and had not when it was poured.</summary>
    private static void Known(SaveRun request, HashSet<RegionId> known)
    {
        var unknown = request.Pours.Select((p, i) => (p.RegionId, i)).Where(p => !known.Contains(p.RegionId)).ToList();
        if (unknown.Count > 0)
        {
            throw new ValidationException(unknown.Select(p => new ValidationFailure(
                string.Create(CultureInfo.InvariantCulture, $"pours[{p.i}].regionId"), "The layer has no such region, and had none when it was poured.")));
        }
    }

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
        Refuse(!Ranges.Years.Contains(request.Start.Year), "start", Ranges.DateSentence("The start"));
        Refuse(request.End is { } last && !Ranges.Years.Contains(last.Year), "end", Ranges.DateSentence("The end"));
        if (errors.Count > 0)
        {
            throw new ValidationException(errors);
        }

        Refuse(zone.AtLeniently(request.Start).ToInstant() > now + Duration.FromMinutes(1), "start",
            "What happened cannot start in the future; plan it under Cure instead.");
        Refuse(request.End is { } over && zone.AtLeniently(over).ToInstant() > now + Duration.FromMinutes(1), "end",
            "What happened cannot end in the future; leave the end open until it has.");
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
