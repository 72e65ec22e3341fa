import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { stations } from '../stations/station';
import { isFree, singleKeys } from '../units/singleKeys';

/** A grip on the stage, which keeps the arrow keys and digits to itself. */
const isGrip = (at: EventTarget | null): at is SVGElement =>
  at instanceof SVGElement && at.getAttribute('role') === 'slider';

/** The digits lead to the stations, in working order; Escape lets go of what is chosen. */
export function useStationKeys(id: string, search: string, letGo: () => void) {
  const navigate = useNavigate();
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.key === 'Escape' && isGrip(e.target)) {
        e.target.blur();
        return letGo();
      }
      if (!isFree(e)) return;
      if (e.key === 'Escape') return letGo();
      const to = stations[Number(e.key) - 1];
      if (!to || !singleKeys()) return;
      e.preventDefault();
      void navigate(`/pieces/${id}/${to}${search}`);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [id, search, letGo, navigate]);
}
