import { Link } from 'react-router';
import { openAt } from './openAt';
import type { Station } from './station';
import { stationNames, stations, useStation } from './station';
import './WhatNext.scss';

const why: Record<Station, string> = {
  ground: '',
  map: 'lay out what goes where',
  walls: 'what holds the resin back',
  cups: 'what to mix for each colour',
  pour: 'in which order it goes on',
  cure: 'when to pour, and when its windows open',
  story: 'write down what you poured',
};

/** Until the first log: where the work goes on from here. */
export function WhatNext({ id, station, search }: { id: string; station: Station; search: string }) {
  const { view, piece, whole, plan, layerPlan, sittingPlan } = useStation();
  const next = stations
    .slice(stations.indexOf(station) + 1)
    .find(
      (s) => !openAt(s, whole, { plan: layerPlan, sitting: sittingPlan }, piece.ground, plan.ground).empty,
    );
  if (!next || view.runs.length > 0) return null;
  return (
    <p className="what-next">
      <Link to={`/pieces/${id}/${next}${search}`} className="btn btn-outline-primary">
        Next: {stationNames[next]}
      </Link>
      <span>{why[next]}</span>
    </p>
  );
}
