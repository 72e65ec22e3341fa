import { useCallback, useEffect, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Layer, LayerView, PlanView } from '../api/client';
import { regionAt } from '../editor/filled';
import type { Selected } from '../editor/selection';

/** The layer that is worked on is kept for as long as the window is open. */
const layerKey = (id: string) => `layer of ${id}`;

const none: ReadonlySet<string> = new Set();

/** The layer that is asked for: by the address, else the one that was worked on last; and the sitting, where the address says one. */
export function useAsked(id: string) {
  const [search] = useSearchParams();
  return {
    layer: search.get('layer') ?? sessionStorage.getItem(layerKey(id)),
    sitting: search.get('sitting'),
  };
}

/** What of a piece is chosen, picked and pointed at. */
export function useChosen(
  id: string,
  station: string,
  plan: PlanView | null,
  layer?: Layer,
  layerPlan?: LayerView,
) {
  const [, setSearch] = useSearchParams();
  const navigate = useNavigate();
  // A cup stays picked from station to station; the picture lights it only where it was picked.
  const [picked, setPicked] = useState<{ cup: string; at: string } | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const [selected, setSelected] = useState<Selected>(null);
  const [zoneId, setZoneId] = useState<string | null>(null);
  const regions = layerPlan?.regions;
  const there = layer?.zones?.some((z) => z.id === zoneId);
  const zone = (station === 'map' || station === 'walls') && there ? zoneId : null;
  const setCup = useCallback(
    (to: string | null) => setPicked(to === null ? null : { cup: to, at: station }),
    [station],
  );
  const shown = pointed ?? (picked?.at === station ? picked.cup : null);
  const lit = useMemo(
    () => (shown && regions ? new Set(regions.filter((r) => r.cupId === shown).map((r) => r.id)) : none),
    [shown, regions],
  );
  const chooseZone = useCallback((to: string | null) => {
    setSelected(null);
    setZoneId(to);
  }, []);
  const choose = useCallback(
    (to: string, sitting?: string) => {
      setCup(null);
      setSelected(null);
      setZoneId(null);
      sessionStorage.setItem(layerKey(id), to);
      setSearch(sitting === undefined ? { layer: to } : { layer: to, sitting }, { replace: true });
    },
    [id, setCup, setSearch],
  );
  const select = useCallback(
    (to: Selected) => {
      setSelected((now) => (now?.kind === to?.kind && now?.id === to?.id ? now : to));
      const region = to?.kind === 'heart' ? 'heart' : to?.id;
      const prefix = zone === null ? '' : `${zone}/`;
      setCup(regions?.find((r) => r.id === `${prefix}${region}`)?.cupId ?? null);
    },
    [regions, zone, setCup],
  );
  const point = useCallback(
    (regionId: string | null) => setPointed(regions?.find((r) => r.id === regionId)?.cupId ?? null),
    [regions],
  );
  // A number that is so in one place of the map: that place is shown, whatever is open now, and the keys go there too.
  const [went, setWent] = useState(0);
  useEffect(() => {
    if (went === 0 || station !== 'map') return;
    const right = document.querySelector('.right');
    const open = right?.querySelector<HTMLElement>('li[data-open] button');
    (open ?? right?.querySelector<HTMLElement>('select'))?.focus();
  }, [went, station]);
  const go = useCallback(
    (place: string) => {
      const to = regionAt(place);
      const of = plan?.layers.find((l) => l.layerId === to?.layer);
      const found = of?.regions.find((r) => place.endsWith(`.regions[${r.id}]`));
      if (!to || !found) return;
      sessionStorage.setItem(layerKey(id), to.layer);
      setZoneId(to.zone);
      setSelected({ kind: found.kind === 'band' ? 'band' : 'region', id: to.region });
      setPicked(found.cupId == null ? null : { cup: found.cupId, at: 'map' });
      setWent((n) => n + 1);
      void navigate(`/pieces/${id}/map?layer=${encodeURIComponent(to.layer)}`);
    },
    [id, plan, navigate],
  );
  return {
    cup: picked?.cup ?? null,
    setCup,
    pointed,
    setPointed,
    selected,
    select,
    zone,
    chooseZone,
    choose,
    lit,
    point,
    go,
  };
}
