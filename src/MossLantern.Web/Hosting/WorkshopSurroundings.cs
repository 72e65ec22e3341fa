using MossLantern.Core.Materials;
using MossLantern.Data;

namespace MossLantern.Web.Hosting;

/// <summary>What everything in this workshop is worked out in, as it stands.</summary>
public sealed class WorkshopSurroundings(WorkshopTime time, MaterialStore materials, WayList ways)
{
    private readonly Lock reading = new();
    private Catalogue? kept;

    /// <summary>The surroundings: the zone of the workshop, and its materials with the person's own values.</summary>
    public Surroundings Now => Surroundings.Usual(time.Zone) with { Catalogue = Catalogue, Habits = ways.Now };

    /// <summary>The materials. A drag asks for them many times a second: they are read once, and again when one has changed.</summary>
    public Catalogue Catalogue
    {
        get
        {
            lock (reading)
            {
                return kept ??= Catalogue.Typical
                    .With(materials.All().Select(m => (m.Id[(m.Id.IndexOf('/', StringComparison.Ordinal) + 1)..], m.Thing)));
            }
        }
    }

    /// <summary>A material has changed.</summary>
    public void Changed()
    {
        // One who is reading may still have what was there before.
        lock (reading)
        {
            kept = null;
        }
    }
}
