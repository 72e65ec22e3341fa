import { NavLink } from 'react-router';
import type { Finding, Layer, LayerView } from '../api/client';
import type { Station } from '../stations/station';
import { stationNames, stations } from '../stations/station';

interface Props {
  id: string;
  layer: Layer;
  plan: LayerView;
  findings: Finding[];
  search: string;
}

/** The stations of a piece as tags on one string, each saying how much of it is decided. */
export function StringOfStations({ id, layer, plan, findings, search }: Props) {
  const decided = decisions(layer, plan);
  const n = stations.length;
  return (
    <nav className="string" aria-label="Stations">
      <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden>
        <path d="M0 2 Q50 14 100 2" />
      </svg>
      <ol>
        {stations.map((station, i) => {
          const { share } = decided[station];
          const here = findings.filter((f) => f.place.station === station && !f.wavedOff);
          const look =
            decided[station].look ?? (here[0] && here.map((f) => f.title.toLowerCase()).join(', '));
          const sag = 4 * (1 - ((2 * (i + 0.5)) / n - 1) ** 2);
          return (
            <li key={station} style={{ top: sag * 1.6 }}>
              <NavLink to={`/pieces/${id}/${station}${search}`} className="tag">
                {stationNames[station]}
                <span className="fill" style={{ width: `${share * 100}%` }} />
                {look && <span className="look" title={look} />}
                <span className="visually-hidden">
                  , {Math.round(share * 100)} % decided{look ? `, ${look}` : ''}
                </span>
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

function decisions(layer: Layer, plan: LayerView): Record<Station, { share: number; look?: string }> {
  const share = (...done: boolean[]) => done.filter(Boolean).length / done.length;
  const crowded = layer.hearts.length > 0 && plan.regions.some((r) => !r.fits);
  const over = plan.cups.cups.some((c) => c.overLimit);
  return {
    ground: { share: 1 },
    map: {
      share: share(layer.hearts.length > 0, layer.bands.length > 1),
      look: crowded ? 'a band no longer fits' : undefined,
    },
    cups: {
      share: share(
        plan.steps.length > 0,
        layer.cups.some((c) => c.colourant !== null),
      ),
      look: over ? 'a load is over its limit' : undefined,
    },
    pour: { share: plan.steps.length > 0 ? 1 : 0 },
    cure: { share: plan.poured ? 1 : share(layer.plan.start !== null, layer.plan.roomC !== null) },
    story: { share: plan.poured ? 1 : 0 },
  };
}
