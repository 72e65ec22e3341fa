import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Painting, Piece, PieceView } from '../api/client';
import { said } from '../api/client';
import { changeVersions, copyPiece } from '../api/changes';
import { colourwayQuery, pieceQuery, versionsQuery } from '../api/queries';
import { paint } from '../painting/brush';
import { Choice, Whether } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { TextField } from '../parts/TextField';
import { localText } from '../units/format';
import { coloursOf, recoloured } from './colours';
import { TakeOff } from './TakeOff';
import './SharePage.scss';

/** What of a piece is kept by name, compared, copied, printed and given away. */
export function SharePage() {
  const { id = '' } = useParams();
  const { data: view, error } = useQuery(pieceQuery(id));
  if (error)
    return (
      <main id="main" className="alone">
        <h1>Not on the shelf</h1>
        <p>{error.message}</p>
      </main>
    );
  if (!view) return <main id="main" className="alone" aria-busy />;
  return (
    <main id="main" className="share">
      <h1>
        {view.piece.name}: <small>versions, colourways, paper</small>
      </h1>
      <p>
        <Link to={`/pieces/${id}/map`}>Back to the piece</Link>
      </p>
      <Versions view={view} />
      <Another view={view} />
      <Paper view={view} />
      <TakeOff view={view} />
    </main>
  );
}

/** Named versions, and two of them over each other or side by side. */
function Versions({ view }: { view: PieceView }) {
  const { data: named = [] } = useQuery(versionsQuery(view.id));
  const change = useMutation(changeVersions(view.id));
  const basedOn = view.version;
  const failed = said(change.error);
  const [left, setLeft] = useState<string | null>(null);
  const [right, setRight] = useState('now');
  const choices = [
    ['now', 'as it is now'] as const,
    ...named.map((n) => [String(n.revision), n.name] as const),
  ];
  const first = left ?? (named[0] ? String(named[0].revision) : 'now');
  return (
    <section aria-label="Versions">
      <h2>Versions</h2>
      <div className="version-parts">
        <div>
          <p className="line">
            <TextField
              label="Name it as it is now"
              value=""
              onChange={(name) => name.trim() && change.mutate({ do: 'name', basedOn, name })}
            />
          </p>
          {named.length === 0 && (
            <p className="hint">
              No version has a name yet. A named one can be compared with any other and taken up again.
            </p>
          )}
          <ul className="versions">
            {named.map((n) => (
              <li key={n.revision}>
                <b>{n.name}</b> <small>{localText(n.namedAt.local)}</small>
                <span className="row-buttons">
                  {n.shown ? (
                    <span className="hint">the one it shows</span>
                  ) : (
                    <button
                      type="button"
                      className="chip"
                      aria-label={`Take up again: ${n.name}`}
                      onClick={() => change.mutate({ do: 'take', basedOn, revision: n.revision })}
                    >
                      Take up again
                    </button>
                  )}
                  <button
                    type="button"
                    className="chip"
                    aria-label={`Forget the name: ${n.name}`}
                    onClick={() => change.mutate({ do: 'forget', revision: n.revision })}
                  >
                    Forget the name
                  </button>
                </span>
              </li>
            ))}
          </ul>
          {failed && (
            <p className="say-wrong" role="alert">
              {failed}
            </p>
          )}
        </div>
        <div>
          <p className="line">
            <Choice label="Compare" value={first} choices={choices} onChange={setLeft} />
            <Choice label="with" value={right} choices={choices} onChange={setRight} />
          </p>
          <Compared
            view={view}
            left={first}
            right={right}
            name={(which) => choices.find(([key]) => key === which)?.[1] ?? 'as it is now'}
          />
        </div>
      </div>
    </section>
  );
}

interface ComparedProps {
  view: PieceView;
  left: string;
  right: string;
  name: (which: string) => string;
}

/** Two versions: one over the other up to a slider, or side by side. */
function Compared({ view, left, right, name }: ComparedProps) {
  const [beside, setBeside] = useState(false);
  const [at, setAt] = useState(50);
  const [there, setThere] = useState<string[]>([]);
  const picture = (which: string) =>
    `/api/pieces/${view.id}/picture.png?width=900&${which === 'now' ? `version=${view.version}` : `revision=${which}&version=r${which}`}`;
  const came = (which: string) => setThere((all) => [...all, picture(which)]);
  const ready = there.includes(picture(left)) && there.includes(picture(right));
  return (
    <>
      <div
        className="compared"
        data-beside={beside || undefined}
        style={
          beside
            ? undefined
            : { aspectRatio: `${view.plan?.ground.widthMm ?? 4} / ${view.plan?.ground.heightMm ?? 3}` }
        }
      >
        <img src={picture(right)} alt={`Right: ${name(right)}`} onLoad={() => came(right)} />
        <img
          src={picture(left)}
          onLoad={() => came(left)}
          alt={`Left: ${name(left)}`}
          style={beside ? undefined : { clipPath: `inset(0 ${100 - at}% 0 0)` }}
        />
        {!ready && (
          <p className="on-its-way" role="status">
            The pictures are being painted…
          </p>
        )}
        {!beside && ready && <i className="seam" style={{ left: `${at}%` }} aria-hidden />}
      </div>
      <p className="line">
        <Whether
          label="How they are shown"
          value={beside}
          no="one over the other"
          yes="side by side"
          onChange={setBeside}
        />
        {!beside && ready && (
          <>
            <label htmlFor="seam" className="visually-hidden">
              Where one ends and the other begins
            </label>
            <input
              id="seam"
              type="range"
              min="0"
              max="100"
              value={at}
              aria-valuetext={`${at} % ${name(left)}`}
              onChange={(e) => setAt(Number(e.target.value))}
            />
          </>
        )}
      </p>
    </>
  );
}

/** The piece once more in other colours: picked one by one, looked at, put on the shelf. */
function Another({ view }: { view: PieceView }) {
  const { piece, id } = view;
  const navigate = useNavigate();
  const own = useMemo(() => coloursOf(piece), [piece]);
  const [to, setTo] = useState<Record<string, string>>({});
  const [name, setName] = useState(`${piece.name}, another colourway`);
  const copying = useMutation(copyPiece(id));
  const failed = said(copying.error);
  const copy = () => {
    const colours = Object.entries(to).map(([from, colour]) => ({ from, to: colour }));
    copying.mutate({ name, colours }, { onSuccess: (made) => void navigate(`/pieces/${made.id}/map`) });
  };
  return (
    <section aria-label="Another colourway">
      <h2>Another colourway</h2>
      <div className="version-parts">
        <div>
          <ul className="ways">
            {own.map(({ colour, names }) => (
              <li key={colour}>
                <i className="way-swatch" style={{ background: colour }} aria-hidden />
                <ColourField
                  label={`In place of ${names}`}
                  value={to[colour] ?? colour}
                  onChange={(picked) => setTo((now) => ({ ...now, [colour]: picked }))}
                />
                <span>{names}</span>
              </li>
            ))}
          </ul>
          <p className="line">
            <TextField label="Name of the copy" value={name} onChange={setName} />
          </p>
          <div className="row-buttons">
            <button type="button" className="btn btn-primary" onClick={copy}>
              Put the copy on the shelf
            </button>
            <button type="button" className="btn btn-outline-primary" onClick={() => setTo({})}>
              As it was
            </button>
          </div>
          {failed && (
            <p className="say-wrong" role="alert">
              {failed}
            </p>
          )}
          <p className="hint">
            The copy keeps the map and the recipes. What was prepared and poured stays with the first.
          </p>
        </div>
        <Seen id={id} piece={piece} to={to} />
      </div>
    </section>
  );
}

/** How the copy would look. */
function Seen({ id, piece, to }: { id: string; piece: Piece; to: Record<string, string> }) {
  const { data } = useQuery(colourwayQuery(id, { piece: recoloured(piece, to) }));
  return data ? (
    <Picture painting={data} label={`${piece.name} in these colours`} />
  ) : (
    <p role="status">Painting it…</p>
  );
}

function Picture({ painting, label }: { painting: Painting; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = 560;
  const scale = Math.min(width / painting.widthMm, 420 / painting.heightMm);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    context.clearRect(0, 0, painting.widthMm, painting.heightMm);
    paint(context, painting, scale);
  }, [painting, scale]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      width={Math.round(painting.widthMm * scale)}
      height={Math.round(painting.heightMm * scale)}
    />
  );
}

/** How a picture is looked at, each as it is asked for. */
const pictureLooks = [
  ['', 'cured, from above'],
  ['?wet=true', 'just poured'],
  ['?light=back', 'with the light behind it'],
  ['?face=underside', 'from below'],
  ['?face=underside&light=back', 'from below with the light behind it'],
] as const;

/** The full-size template, and the piece in open formats. */
function Paper({ view }: { view: PieceView }) {
  const { id, piece } = view;
  const [paper, setPaper] = useState<'A4' | 'Letter'>('A4');
  const [grid, setGrid] = useState(false);
  const [layer, setLayer] = useState(piece.layers[0]!.id);
  const [look, setLook] = useState('');
  const looks =
    view.plan?.hidden === null ? pictureLooks : pictureLooks.filter(([query]) => !/face|light/.test(query));
  return (
    <section aria-label="Paper and files">
      <h2>Full size on paper, and as files</h2>
      <p className="line">
        <Choice
          label="Template of"
          value={layer}
          choices={piece.layers.map((l) => [l.id, l.name] as const)}
          onChange={setLayer}
        />
        <Choice
          label="on"
          value={paper}
          choices={[
            ['A4', 'A4'],
            ['Letter', 'Letter'],
          ]}
          onChange={setPaper}
        />
        <Whether
          label="Points to prick"
          value={grid}
          no="with lines only"
          yes="with points to prick through, every 50 mm"
          onChange={setGrid}
        />
      </p>
      <p className="line">
        <Choice label="Picture" value={look} choices={looks} onChange={setLook} />
      </p>
      <p className="row-buttons">
        <a
          className="btn btn-primary"
          href={`/api/pieces/${id}/template.pdf?layer=${layer}&paper=${paper}&grid=${grid}`}
          download
        >
          Template as PDF
        </a>
        <a className="btn btn-outline-primary" href={`/api/pieces/${id}/map.svg`} download>
          Map as SVG
        </a>
        <a className="btn btn-outline-primary" href={`/api/pieces/${id}/outline.svg`} download>
          Outline as SVG
        </a>
        <a
          className="btn btn-outline-primary"
          href={`/api/pieces/${id}/picture.png${look}`}
          download={`${piece.name}.png`}
        >
          Picture as PNG
        </a>
        <a className="btn btn-outline-primary" href={`/api/pieces/${id}/piece.json`} download>
          The whole piece as JSON
        </a>
      </p>
      <p className="hint">
        Every sheet has a bar of 100 mm: measure it, as printers like to shrink. Sheets overlap by 14 mm; lay
        cross on cross. The piece as JSON can be brought in again on the page of a new piece; its{' '}
        <a href="/api/schemas/piece.json">schema is published</a>.
      </p>
    </section>
  );
}
