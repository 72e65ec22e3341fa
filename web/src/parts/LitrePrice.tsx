import { useMutation, useQuery } from '@tanstack/react-query';
import { saidOf } from '../api/client';
import { keepPrices } from '../api/changes';
import { pricesQuery } from '../api/queries';
import { NumberField } from './NumberField';

/** What a litre of something costs here: a setting of the workshop. */
export function LitrePrice({ of, label }: { of: string; label: string }) {
  const { data: prices } = useQuery(pricesQuery);
  const { mutate, error } = useMutation(keepPrices);
  if (!prices) return null;
  const keep = (litre: number | null) => {
    const others = Object.entries(prices.perLitre).filter(([id]) => id !== of);
    mutate({ ...prices, perLitre: Object.fromEntries(litre === null ? others : [...others, [of, litre]]) });
  };
  return (
    <NumberField
      label={label}
      quiet
      unit={prices.money}
      empty="?"
      value={prices.perLitre[of] ?? null}
      error={error ? saidOf(error, `perLitre.${of}`, 'Not saved.') : undefined}
      onChange={keep}
    />
  );
}
