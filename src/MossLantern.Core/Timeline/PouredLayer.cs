using System.Collections.Immutable;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>What is known of a layer that was really poured.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null while it is not known.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Regions">The regions that were poured; null where no amount was noted, which counts as all of them.</param>
public sealed record PouredLayer(string LayerId, Instant Start, Instant? End, double? RoomC, ImmutableArray<RegionId>? Regions = null);
