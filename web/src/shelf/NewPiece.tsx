import { useMutation } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Edit, Ground } from '../api/client';
import { Refused, said } from '../api/client';
import { bringPiece, changeGround, newPiece } from '../api/changes';
import { FileButton } from '../parts/FileButton';
import { TextField } from '../parts/TextField';
import type { Editing } from '../parts/editing';
import { EditingProvider, setField } from '../parts/editing';
import type { Starter } from '../stations/map/Starters';
import { Starters } from '../stations/map/Starters';
import { GroundSentence } from '../stations/ground/GroundSentence';
import './NewPiece.scss';

const board: Ground = {
  outline: { shape: 'rectangle', widthMm: 400, heightMm: 300 },
  edge: 'taped-clean',
  sideHeightMm: 20,
  colour: '#e6d6b4',
};

/** What a piece is called until it is given a name. */
const noName = 'A piece without a name';

/** The first-piece path: a name and a ground, and the piece stands on the shelf. */
export function NewPiece() {
  const [name, setName] = useState('');
  const [ground, setGround] = useState(board);
  const [starter, setStarter] = useState<Starter | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const making = useMutation(newPiece);
  const navigate = useNavigate();
  const { editing, settled } = useGround(ground, setGround, refused, setRefused);
  const { say } = editing;

  const make = async (givenName: string) =>
    making.mutate(
      { name: givenName, ground: await settled(), starter },
      {
        onSuccess: (made) => void navigate(`/pieces/${made.id}/map`),
        onError: (e) => setRefused(asRefused(e)),
      },
    );

  return (
    <main id="main" className="new-piece">
      {/* Enter takes what was typed in a field; only the button makes the piece. */}
      <form
        onKeyDown={(e) => e.key === 'Enter' && e.target instanceof HTMLInputElement && e.preventDefault()}
        onSubmit={(e) => {
          e.preventDefault();
          void make(name.trim() || noName);
        }}
      >
        <h1>A new piece</h1>
        <EditingProvider value={editing}>
          <GroundSentence
            ground={ground}
            of={
              <TextField
                label="Name"
                quiet
                blank={noName}
                value={name}
                error={say('name')}
                onChange={setName}
              />
            }
          />
        </EditingProvider>
        <h2>Begin with</h2>
        <Starters
          ground={ground}
          chosen={starter}
          onTake={(to) => setStarter((now) => (now === to ? null : to))}
        />
        {refused && Object.keys(refused.errors).length === 0 && (
          <p className="say-wrong">{refused.message}</p>
        )}
        <button type="submit" className="btn btn-primary btn-lg" disabled={making.isPending}>
          Put it on the bench
        </button>
        <p className="quiet-line">
          {starter === null ? 'Without a layout it begins bare. ' : ''}Everything can be changed later.
          Nothing is poured yet.
        </p>
      </form>
      <FromFile />
    </main>
  );
}

const asRefused = (e: Error) => (e instanceof Refused ? e : new Refused(0, e.message, {}));

/** Changes of a ground that belongs to no piece yet: one follows the other, and nothing is kept. */
function useGround(
  ground: Ground,
  setGround: (ground: Ground) => void,
  refused: Refused | null,
  setRefused: (refused: Refused | null) => void,
) {
  const newest = useRef(ground);
  const { mutateAsync: change } = useMutation(changeGround);
  const last = useRef<Promise<unknown>>(Promise.resolve());
  return useMemo(() => {
    /** The ground when all that is on its way has come. */
    const settled = () => last.current.then(() => newest.current);
    const edit = (...commands: Edit[]) => {
      const turn = last.current.then(async () => {
        try {
          newest.current = await change({ ground: newest.current, commands });
          setRefused(null);
          setGround(newest.current);
        } catch (e) {
          if (!(e instanceof Refused)) throw e;
          setRefused(e);
        }
        return null;
      });
      last.current = turn;
      return turn;
    };
    const editing: Editing = {
      edit,
      drag: () => undefined,
      letGo: () => undefined,
      set: (place, value) => edit(setField(place, value)),
      say: (place) => refused?.errors[place]?.[0],
      go: () => undefined,
    };
    return { editing, settled };
  }, [refused, change, setGround, setRefused]);
}

/** A piece that was kept as a file comes back whole, or not at all. */
function FromFile() {
  const bringing = useMutation(bringPiece);
  const navigate = useNavigate();
  const { error } = bringing;
  const [first] =
    error instanceof Refused ? Object.entries(error.errors).map(([field, s]) => `${field}: ${s[0]}`) : [];
  const failed = first?.replace(/^text: /, '') ?? said(error, 'That could not be read.');
  const bring = (file: File) =>
    bringing.mutate(file, { onSuccess: (made) => void navigate(`/pieces/${made.id}/map`) });
  return (
    <p className="from-file">
      <FileButton
        id="from-file"
        accept=".json,application/json"
        describedBy={failed ? 'from-file-error' : undefined}
        onFile={bring}
      >
        Or bring a piece from a file
      </FileButton>
      {failed && (
        <span id="from-file-error" className="field-error" role="alert">
          {failed}
        </span>
      )}
    </p>
  );
}
