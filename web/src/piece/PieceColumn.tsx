import { useMutation } from '@tanstack/react-query';
import { memo } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Ground, Piece, PieceView, PlanView } from '../api/client';
import { said } from '../api/client';
import { pourOver } from '../api/changes';
import { CoreSample } from '../parts/CoreSample';
import { clockText } from '../units/format';
import type { Units } from '../units/units';
import { useUnits } from '../units/units';
import type { PieceOnPage } from './usePiece';
import './PieceColumn.scss';

// A drag paints the map many times a second; this follows only when what it shows has changed.
const Sample = memo(CoreSample);

interface Props {
  page: PieceOnPage;
  piece: Piece;
  plan: PlanView;
  view: PieceView;
  chosen: string;
  /** The sitting that is looked at. */
  sitting: string;
  choose: (layerId: string, sittingId?: string) => void;
  /** The piece, small, where the stage shows something else. */
  children?: React.ReactNode;
}

/** What the piece is, its layers in a core sample, and whether it is kept. */
export function PieceColumn({ page, piece, plan, view, chosen, sitting, choose, children }: Props) {
  const units = useUnits();
  const { editor } = page;
  const pour = (clearCoat: boolean) =>
    void editor.edit({ do: 'add-layer', clearCoat }).then((got) => {
      if (got) choose(got.piece.layers.at(-1)!.id);
    });
  return (
    <aside className="left">
      <div className="left-head">
        <h1 tabIndex={-1}>{piece.name}</h1>
        <p className="hint">{sizeOf(piece.ground, plan.ground, units)}</p>
        <Lying piece={piece} view={view} />
        {children}
      </div>
      <Sample
        piece={piece}
        plan={plan}
        beneath={plan.ground.beneath}
        chosen={chosen}
        sitting={sitting}
        onChoose={choose}
        onAdd={pour}
      />
      <div className="left-foot">
        <Kept page={page} canUndo={view.canUndo} canRedo={view.canRedo} />
        <Link className="picture-link" to={`/pieces/${view.id}/share`}>
          Versions, colourways, paper
        </Link>
        <Again view={view} />
      </div>
    </aside>
  );
}

/** A ground in a few words. */
function sizeOf({ outline, base, set }: Ground, plan: PlanView['ground'], units: Units): string {
  const kind = base?.kind ?? 'panel';
  const several = set ? `, ${set.count} ${kind}s with gaps` : '';
  if (outline.shape === 'round' && !set) return `round ${kind}, ${units.show(outline.diameterMm, 'mm')}`;
  // A slice is called by what is there of it, not by its frame.
  const [width, height] =
    outline.shape === 'slice' && !set ? [plan.spanWidthMm, plan.spanHeightMm] : [plan.widthMm, plan.heightMm];
  const size = `${units.part(width, 'mm').text} × ${units.show(height, 'mm')}`;
  return `${outline.shape === 'oval' ? 'oval ' : ''}${kind}, ${size}${several}`;
}

/** What lies beneath the piece, or over it. */
function Lying({ piece, view }: { piece: Piece; view: PieceView }) {
  const { old } = piece.ground;
  return (
    <>
      {old && (
        <p className="hint">
          over{' '}
          {old.pieceId ? <Link to={`/pieces/${old.pieceId}/story`}>{old.name} and its story</Link> : old.name}
        </p>
      )}
      {view.beneath && (
        <p className="hint">
          lies beneath <Link to={`/pieces/${view.beneath.id}/map`}>{view.beneath.name}</Link>
        </p>
      )}
    </>
  );
}

/** A finished piece can be poured over again: it then lies beneath a new one. Of several castings it is one; the others stay. */
function Again({ view }: { view: PieceView }) {
  const navigate = useNavigate();
  const pouring = useMutation(pourOver(view.id));
  const failed = said(pouring.error);
  if (!view.mayBePouredOver || view.beneath) return null;
  const several = (view.piece.ground.mould?.pieces ?? 1) > 1;
  const again = () =>
    pouring.mutate(undefined, { onSuccess: (made) => void navigate(`/pieces/${made.id}/ground`) });
  return (
    <>
      <button type="button" className="picture-link" onClick={again}>
        {several ? 'Pour over one of them again' : 'Pour over it again'}
      </button>
      {failed && <p className="say-wrong">{failed}</p>}
    </>
  );
}

/** Whether the piece on the page is kept, the steps back and forward, and what to do when another window was faster. */
function Kept({ page, canUndo, canRedo }: { page: PieceOnPage; canUndo: boolean; canRedo: boolean }) {
  const { editor, saving, newest, looking, view } = page;
  return (
    <div className="kept" data-state={saving.state}>
      <div className="steps">
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!canUndo && saving.state !== 'refused'}
          onClick={() => void editor.step('undo')}
        >
          Undo
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!canRedo}
          onClick={() => void editor.step('redo')}
        >
          Redo
        </button>
      </div>
      {view?.undoes && <p className="hint">Undo: {view.undoes}</p>}
      <div role="status">
        {saving.state === 'kept' && `Saved at ${clockText(saving.at)}.`}
        {saving.state === 'saving' && 'Saving…'}
        {saving.state === 'refused' && <p>Not saved: {saving.message}</p>}
        {saving.state === 'waiting' && <p>Not saved yet: {saving.message} It will be tried again.</p>}
        {saving.state === 'stale' && <p>{looking ? 'This is the newest, not yours.' : saving.message}</p>}
      </div>
      {saving.state === 'stale' && (
        <>
          {newest && (
            <button type="button" className="btn btn-outline-primary" onClick={() => editor.look(!looking)}>
              {looking ? 'Look at mine again' : 'Look at the newest'}
            </button>
          )}
          <button type="button" className="btn btn-primary" onClick={() => void editor.settle('newest')}>
            Take the newest
          </button>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void editor.settle('mine')}
          >
            Save mine over it
          </button>
        </>
      )}
    </div>
  );
}
