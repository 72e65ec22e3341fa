using System.Collections.Immutable;
using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;
using Ranges = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>A poured amount.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="PouredMl">What was poured, ml; null where nobody noted it.</param>
/// <param name="LayerId">The layer of the region; null for the only one, or the lowest, that the sitting fills.</param>
/// <param name="Pass">Which pass over the region, from 0.</param>
/// <param name="ThatIsAll">Whether no more of it comes, however little it was.</param>
public sealed record SaveLoggedPour(RegionId RegionId, double? PouredMl, string? LayerId = null, int Pass = 0, bool ThatIsAll = false);

/// <summary>
/// What really happened in a sitting, based on a version; 0 is a new run. Times are the workshop's local time. What is unlikely
/// is asked about, and taken with <c>evenSo</c>.
/// </summary>
public sealed record SaveRun(
    int BasedOn, string SittingId, LocalDateTime Start, LocalDateTime? End, double? RoomC, string Note,
    ImmutableArray<SaveLoggedPour> Pours, bool EvenSo = false);

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
            var before = kept.FirstOrDefault(r => r.RunId == key && r.SittingId == request.SittingId);

            // A region that the piece had when it was poured is known, although the piece has changed since.
            var poured = before?.Part.Revision is { } revision ? pieces.At(id, revision) : null;
            Check(request, stored.Piece, zone, time.Now);
            var plan = workbench.Plan(stored.Id, stored.Piece, kept);
            var sitting = plan.Sittings.Single(s => s.SittingId == request.SittingId);
            var steps = sitting.Pours.Select(s => (Of: (s.LayerId, s.RegionId, s.Pass), Step: s)).ToList();
            var told = request.Pours.Select(p => (p.LayerId ?? sitting.LayerIds[0], p.RegionId, p.Pass)).ToList();

            if (told.Distinct().Count() < told.Count)
            {
                throw new ValidationException([new ValidationFailure("pours", "Each region may be named once.")]);
            }

            Known(told,
            [
                .. steps.Select(s => s.Of), .. before?.Pours.Select(p => (p.LayerId, p.RegionId, p.Pass)) ?? [],
                .. (poured?.Layers ?? []).Where(l => sitting.LayerIds.Contains(l.Id))
                    .SelectMany(l => poured!.Lined(l).RegionIds.Select(r => (l.Id, r, 0))),
            ]);

            if (!request.EvenSo)
            {
                Likely(request, stored.Piece, plan, sitting, before is null, before is null && kept.Any(r => r.RunId == key));
            }

            // What was planned when it was first logged stays what was planned.
            var planned = before?.Pours.ToDictionary(p => (p.LayerId, p.RegionId, p.Pass)) ?? [];
            var said = told.Zip(request.Pours).ToDictionary(p => p.First, p => p.Second);
            var pours = steps.Select(s => planned.GetValueOrDefault(s.Of)
                    ?? LoggedPour.Of(s.Step.LayerId, s.Step.RegionId,
                        stored.Piece.Recipes.Single(c => c.Id == s.Step.CupId).Name, s.Step.PourMl.Value, null, s.Step.Pass))
                .Concat(planned.Where(p => steps.All(s => s.Of != p.Key)).Select(p => p.Value))
                .Select(p => (Pour: p, Said: said.GetValueOrDefault((p.LayerId, p.RegionId, p.Pass))))
                .Select(p => p.Pour with
                {
                    Poured = p.Said?.PouredMl is { } ml ? [new(ml)] : [],
                    ThatIsAll = p.Said?.ThatIsAll == true,
                });
            runs.Save(
                new(key, 0, new(id, sitting.SittingId, before is null ? stored.Revision : before.Part.Revision),
                    zone.AtLeniently(request.Start).ToInstant(),
                    request.End is { } end ? zone.AtLeniently(end).ToInstant() : null,
                    request.RoomC, request.Note.Trim(), [.. pours]),
                request.BasedOn, time.Now, joins: request.EvenSo && kept.Any(r => r.RunId == key));

            // Its journal counts one more by now.
            return TypedResults.Ok(workbench.View(pieces.Find(id) ?? stored));
        });

    /// <summary>Field of what is asked about rather than refused.</summary>
    private const string EvenSo = "evenSo";

    /// <summary>Asks about what is hardly so: a layer over one that is not in the log, more from a cup than was mixed in it.</summary>
    private static void Likely(SaveRun request, Piece piece, PlanView plan, SittingView sitting, bool first, bool joins)
    {
        List<string> doubts = [];
        if (joins)
        {
            doubts.Add($"This log has another sitting already. Was {sitting.Name} poured in the same go?");
        }

        var filled = sitting.LayerIds.Where(id => sitting.Pours.Any(s => s.LayerId == id)).ToList();
        foreach (var layer in piece.Layers.Where(l => first && filled.Contains(l.Id)))
        {
            var below = piece.Layers.TakeWhile(l => l.Id != layer.Id).LastOrDefault(l => l.Within is null);
            if (below is not null && !filled.Contains(below.Id) && !plan.Layers.Single(l => l.LayerId == below.Id).Poured)
            {
                doubts.Add($"{below.Name} lies below {layer.Name} and is not in the log yet. Is this the right layer?");
            }
        }

        foreach (var cup in sitting.Cups.Cups)
        {
            var poured = request.Pours.Where(p => cup.Regions.Contains(new(p.LayerId ?? sitting.LayerIds[0], p.RegionId))
                && sitting.Pours.Any(s => s.CupId == cup.CupId
                    && (s.LayerId, s.RegionId, s.Pass) == (p.LayerId ?? sitting.LayerIds[0], p.RegionId, p.Pass)))
                .Sum(p => p.PouredMl ?? 0);
            if (poured > cup.MixMl.Value * (1 + MoreThanMixed) && cup.MixMl.Value > 0)
            {
                doubts.Add(string.Create(CultureInfo.InvariantCulture,
                    $"{poured:0.#} ml were poured from {piece.Recipes.Single(c => c.Id == cup.CupId).Name}, and "
                        + $"{cup.MixMl.Value:0.#} ml were to be mixed in it. Was more mixed?"));
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
    private static void Known(List<(string, RegionId, int)> told, HashSet<(string, RegionId, int)> known)
    {
        var unknown = told.Select((p, i) => (p, i)).Where(p => !known.Contains(p.p)).ToList();
        if (unknown.Count > 0)
        {
            throw new ValidationException(unknown.Select(p => new ValidationFailure(
                string.Create(CultureInfo.InvariantCulture, $"pours[{p.i}].regionId"),
                "The sitting pours no such region, and did not when it was poured.")));
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

        Refuse(piece.Sittings.All(s => s.Id != request.SittingId), "sittingId", "The piece has no such sitting.");
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
