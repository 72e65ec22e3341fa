import type { FilledLayer } from '../editor/filled';
import { NavLink } from 'react-router';
import type { Finding, Ground, LayerView, PlanView, SittingView } from '../api/client';
import { openAt } from '../stations/openAt';
import { stationNames, stations } from '../stations/station';
import './StringOfStations.scss';

interface Props {
  id: string;
  layer: FilledLayer;
  plan: LayerView;
  sitting: SittingView;
  ground: Ground;
  groundPlan: PlanView['ground'];
  findings: Finding[];
  search: string;
}

/** The stations of a piece as tags on one string, each saying what of it is still open. */
export function StringOfStations({ id, layer, plan, sitting, ground, groundPlan, findings, search }: Props) {
  const n = stations.length;
  return (
    <nav className="string" aria-label="Stations">
      <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden>
        <path d="M0 2 Q50 14 100 2" />
      </svg>
      <ol>
        {stations.map((station, i) => {
          const { share, words, empty } = openAt(station, layer, { plan, sitting }, ground, groundPlan);
          const here = findings.filter((f) => f.pin.station === station && !f.wavedOff);
          const look = here.map((f) => f.title.toLowerCase()).join(', ');
          const sag = 4 * (1 - ((2 * (i + 0.5)) / n - 1) ** 2);
          return (
            <li key={station} className={empty ? 'empty' : undefined} style={{ top: sag * 1.6 }}>
              <NavLink to={`/pieces/${id}/${station}${search}`} className="tag">
                {stationNames[station]}
                <span className="visually-hidden">, </span>
                <small className="tag-open">{words}</small>
                <span className="tag-fill" style={{ width: `${share * 100}%` }} />
                {look && <span className="tag-look" title={look} />}
                {look && <span className="visually-hidden">, {look}</span>}
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
