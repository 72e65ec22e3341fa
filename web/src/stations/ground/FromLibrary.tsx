import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Ground } from '../../api/client';
import { mouldsQuery } from '../../api/queries';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';

const none = 'none';

/** The moulds of the library that a casting is made in: one, or several different ones that are filled together. */
export function FromLibrary({ ground }: { ground: Ground }) {
  const { data: moulds } = useQuery(mouldsQuery);
  const { edit, say } = useEdits();
  const { mould } = ground;
  if (!mould || !moulds) return null;
  const ids = mould.libraryIds ?? [];
  const cast = (moulds: string[]) => edit({ do: 'cast-in-moulds', moulds });
  const failed = say('ground.mould.libraryIds');
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
