import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Ground } from '../../api/client';
import { Refused, api, take } from '../../api/client';
import { Choice } from '../../parts/Fields';

const none = 'none';

/** The moulds of the library that a casting is made in: one, or several different ones that are filled together. */
export function FromLibrary({ ground, onChange }: { ground: Ground; onChange: (ground: Ground) => void }) {
  const { data: moulds } = useQuery({ queryKey: ['moulds'], queryFn: () => take(api.GET('/api/moulds')) });
  const [failed, setFailed] = useState<string | null>(null);
  const { mould } = ground;
  if (!mould || !moulds) return null;
  const ids = mould.libraryIds ?? [];
  const cast = (mouldIds: string[]) => {
    setFailed(null);
    if (mouldIds.length === 0) return onChange({ ...ground, mould: { ...mould, libraryIds: null } });
    take(api.POST('/api/grounds/cast', { body: { ground, mouldIds } }))
      .then(onChange)
      .catch((e: unknown) => setFailed(e instanceof Refused ? e.message : 'That could not be done.'));
  };
  const left = moulds.filter((m) => !ids.includes(m.id));
  const named = moulds.map((m) => [m.id, `${m.mould.name} × ${m.mould.owned}`] as const);
  return (
    <p>
      {'in '}
      <Choice
        label="Mould of the library"
        quiet
        value={ids[0] ?? none}
        choices={[[none, 'a mould not kept here'], ...named]}
        onChange={(id) => cast(id === none ? [] : [id])}
      />
      {ids.slice(1).map((id, i) => (
        <span key={id}>
          {' and beside it '}
          <Choice
            label={`Mould ${i + 2}`}
            quiet
            value={id}
            choices={[[none, 'nothing'], ...named.filter(([other]) => other === id || !ids.includes(other))]}
            onChange={(to) => cast(ids.flatMap((x) => (x !== id ? [x] : to === none ? [] : [to])))}
          />
        </span>
      ))}
      {ids.length > 0 && left.length > 0 && (
        <>
          {' and beside it '}
          <Choice
            label="A further mould"
            quiet
            value={none}
            choices={[[none, 'no other mould'], ...named.filter(([id]) => !ids.includes(id))]}
            onChange={(id) => id !== none && cast([...ids, id])}
          />
        </>
      )}
      {', '}
      <Link to="/cupboard">from the cupboard</Link>,{failed && <span className="field-error">{failed}</span>}
    </p>
  );
}
