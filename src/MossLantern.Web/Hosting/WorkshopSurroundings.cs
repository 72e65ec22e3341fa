using MossLantern.Core.Materials;
using MossLantern.Data;

namespace MossLantern.Web.Hosting;

/// <summary>What everything in this workshop is worked out in, as it stands.</summary>
public sealed class WorkshopSurroundings(WorkshopTime time, MaterialStore materials)
{
    private (string Of, Catalogue Catalogue) kept = ("", Catalogue.Typical);

    /// <summary>The surroundings: the zone of the workshop, and its materials with the person's own values.</summary>
    public Surroundings Now => Surroundings.Usual(time.Zone) with { Catalogue = Catalogue };

    /// <summary>The materials.</summary>
    public Catalogue Catalogue
    {
        get
        {
            var own = materials.All();
            var of = string.Join(' ', own.Select(m => $"{m.Id}:{m.Version}"));
            var (keptOf, known) = kept;
            if (keptOf != of)
            {
                known = Catalogue.Typical.With(own.Select(m => (m.Id[(m.Id.IndexOf('/', StringComparison.Ordinal) + 1)..], m.Thing)));
                kept = (of, known);
            }

            return known;
        }
    }
}
