import { isBanded, colourIn, wideningOf } from '../../editor/filled';
import { useState } from 'react';
import type { ReservedSpot, Schemas } from '../../api/client';
import type { Zone } from '../../editor/filled';
import { ChoiceAt, NumberAt, TextAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useFields, useMost } from '../../parts/fields';
import { HowNumber } from '../../parts/HowNumber';
import { SettledChoice } from '../../parts/SettledChoice';
import { kindOf, layoutKinds, timesPoured, useStation } from '../station';
import { LayoutPart } from './layouts/LayoutPart';
import { Sequences } from './Sequences';
import './MapStation.scss';

const contrasts = [
  ['strong', 'contrast'],
  ['gradual', 'blend'],
  ['any', 'may be any'],
] as const;

const rimWays = [
  ['proportional', 'in proportion'],
  ['even', 'evenly, outer bands at full width'],
] as const;

/** Areas are of one panel or casting where several are poured at once. */
function OfOne() {
  const several = timesPoured(useStation().piece.ground);
  return (
    several && (
      <p className="hint">
        Areas are of one {several.of}; the ml of the cups are for {several.words}.
      </p>
    )
  );
}

export function MapStation() {
  const { layer, at, here, view, zone, whole, select, secondLook } = useStation();
  const { edit } = useEdits();
  const inZone = zone !== null;
  // What comes after how bands follow the edge.
  const then = inZone ? '' : ';';
  const { layout } = layer;
  const banded = isBanded(layout);
  // The version that a new layout was based on: for as long as it is the last step, a step back brings back what was before.
  const [laid, setLaid] = useState<{ kind: string; version: number } | null>(null);
  return (
    <>
      <h2>{layer.name}</h2>
      {(whole.zones ?? []).length > 0 && <ZoneChoice />}
      <div className="sentence">
        <p>
          <SettledChoice
            label="Laid out as"
            value={kindOf(layer)}
            choices={layoutKinds}
            takeIt={(kind) => `Lay it out as ${kind}`}
            onChange={(kind) => {
              select(null);
              setLaid({ kind, version: view.version });
              void edit({ do: 'lay-out-as', ...here, kind });
            }}
          />
          {!inZone && (
            <>
              {', '}
              <NumberAt place={`${at.layer}.depthMm`} label="Depth" quiet unit="mm" value={layer.depthMm} />
              {' deep'}
            </>
          )}
          {banded && (
            <>
              {', each band '}
              <NumberAt
                place={`${at.layout}.widening`}
                label="Each band wider by"
                quiet
                unit="×"
                value={wideningOf(layer)}
              />
              {' the one before'}
            </>
          )}
          {layout.kind === 'rings' && (
            <>
              {'; the bands follow the edge by '}
              <span className="with-comma">
                <NumberAt
                  place={`${at.layout}.rimFollow`}
                  label="Bands follow the edge"
                  quiet
                  unit="%"
                  value={layout.rimFollow}
                  per={100}
                />
                {layout.rimFollow > 0 ? ',' : then}
              </span>{' '}
              {layout.rimFollow > 0 && (
                <span className="with-comma">
                  <ChoiceAt
                    place={`${at.layout}.rimWay`}
                    label="How bands follow the edge"
                    quiet
                    value={layout.rimWay ?? 'proportional'}
                    choices={rimWays}
                  />
                  {then}
                </span>
              )}
            </>
          )}
          {!inZone && (
            <>
              {layer.layout.kind !== 'rings' ? '; neighbouring colours ' : ' neighbouring colours '}
              <ChoiceAt
                place={`${at.layer}.contrast`}
                label="Neighbouring colours"
                quiet
                value={layer.contrast ?? 'strong'}
                choices={contrasts}
              />
            </>
          )}
          .
        </p>
      </div>
      {laid?.kind === kindOf(layer) && view.version <= laid.version + 1 && (
        <p className="hint" role="status">
          What was laid out before comes back with Undo.
        </p>
      )}
      {secondLook}
      <OfOne />
      <LayoutPart />
      {banded && <Sequences />}
      {inZone ? (
        <ZoneFields />
      ) : (
        <>
          {(whole.zones ?? []).length === 0 && <ZoneChoice />}
          <Kept />
        </>
      )}
      {!inZone && <Balance />}
    </>
  );
}

/** The layer as a whole, or one of its zones. */
function ZoneChoice() {
  const { whole, zone, chooseZone } = useStation();
  const mostZones = useMost('layers.zones');
  const zones = whole.zones ?? [];
  const { edit } = useEdits();
  const add = () =>
    void edit({ do: 'add-zone', layer: whole.id }).then((made) => {
      const zones = made?.piece.layers.find((l) => l.id === whole.id)?.zones;
      if (zones) chooseZone(zones.at(-1)!.id);
    });
  return (
    <div className="row-buttons" role="group" aria-label="What is laid out">
      {zones.length > 0 && (
        <button type="button" className="chip" aria-pressed={zone === null} onClick={() => chooseZone(null)}>
          Whole layer
        </button>
      )}
      {zones.map((z) => (
        <button
          key={z.id}
          type="button"
          className="chip"
          aria-pressed={zone === z.id}
          onClick={() => chooseZone(z.id)}
        >
          {z.name}
        </button>
      ))}
      {whole.within == null && zones.length < mostZones && (
        <button type="button" className="chip" onClick={add}>
          {zones.length === 0 ? 'Add a part' : 'Another part'}
        </button>
      )}
    </div>
  );
}

type Place = Pick<Zone, 'outline' | 'xMm' | 'yMm'>;

type OutlineShape = Schemas['OutlineShape'];

const shapes: readonly (readonly [OutlineShape, string])[] = [
  ['round', 'a round'],
  ['oval', 'an oval'],
  ['rectangle', 'a rectangle'],
  ['slice', 'a freeform'],
];

interface PlaceProps {
  of: Place;
  /** How commands name it: a zone of a layer, or what the piece keeps. */
  spot: { layer?: string; id: string };
  at: string;
  name: string;
}

/** Shape, size and place of a zone. */
function PlaceFields({ of, spot, at, name }: PlaceProps) {
  const { outline } = of;
  const { edit } = useEdits();
  const size = (label: string, key: 'diameterMm' | 'widthMm' | 'heightMm') => (
    <NumberAt
      place={`${at}.outline.${key}`}
      label={label}
      unit="mm"
      value={key in outline ? (outline as unknown as Record<string, number>)[key]! : null}
    />
  );
  return (
    <p className="line">
      <Choice
        label={`Shape of ${name}`}
        quiet
        value={outline.shape === 'drawn' ? 'slice' : outline.shape}
        choices={shapes}
        onChange={(shape) => edit({ do: 'shape-spot', ...spot, shape })}
      />
      {outline.shape === 'round' ? (
        size('across', 'diameterMm')
      ) : (
        <>
          {size('wide', 'widthMm')}
          {size('high', 'heightMm')}
        </>
      )}
      {(['xMm', 'yMm'] as const).map((key) => (
        <NumberAt
          key={key}
          place={`${at}.${key}`}
          label={key === 'xMm' ? 'from the left' : 'from the top'}
          unit="mm"
          value={of[key]}
        />
      ))}
    </p>
  );
}

function ZoneFields() {
  const { whole, zone, chooseZone, at } = useStation();
  const { edit } = useEdits();
  const of = whole.zones?.find((z) => z.id === zone);
  if (!of) return null;
  return (
    <section className="zone" aria-label={of.name}>
      <h3>The part</h3>
      <p className="line">
        <TextAt place={`${at.laidOut}.name`} label="Name of the part" quiet value={of.name} />
        <button
          type="button"
          className="chip"
          onClick={() => {
            chooseZone(null);
            void edit({ do: 'leave-zone-out', layer: whole.id, zone: of.id });
          }}
        >
          Take the part out
        </button>
      </p>
      <PlaceFields of={of} spot={{ layer: whole.id, id: of.id }} at={at.laidOut} name="the part" />
    </section>
  );
}

const keeps = [
  ['visible', 'stays visible: clear only'],
  ['bare', 'stays bare: no resin'],
] as const;

/** Zones that stay visible or bare, in every layer. */
function Kept() {
  const { piece, layer } = useStation();
  const mostKept = useMost('kept');
  const { edit } = useEdits();
  const kept = piece.kept ?? [];
  if (layer.within) return null;
  return (
    <>
      {kept.length > 0 && <h3>Reserved, in every layer</h3>}
      {kept.map((k, i) => (
        <KeptSpot key={k.id} of={k} number={i + 1} />
      ))}
      {kept.length < mostKept && (
        <div className="row-buttons">
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'reserve-spot' })}
          >
            Reserve a spot
          </button>
        </div>
      )}
    </>
  );
}

/** How wide a dam is built at first, mm. */
const plainDamMm = 5;

function KeptSpot({ of: k, number }: { of: ReservedSpot; number: number }) {
  const { edit } = useEdits();
  const { piece } = useStation();
  const { usual } = useFields();
  const { mould } = piece.ground;
  const at = `kept[${k.id}]`;
  const dam = piece.lines?.find((l) => l.course.kind === 'round' && l.course.spot === k.id);
  return (
    <section className="zone" aria-label={k.name}>
      <p className="line">
        <TextAt place={`${at}.name`} label={`Name of reserve ${number}`} quiet value={k.name} />
        <ChoiceAt
          place={`${at}.keep`}
          label={`How ${k.name} is reserved`}
          quiet
          value={k.keep}
          choices={keeps}
        />
        {dam ? (
          <>
            <NumberAt
              place={`lines[${dam.id}].section.widthMm`}
              label={`Dam round ${k.name}`}
              unit="mm"
              value={dam.section.widthMm}
            />
            <button
              type="button"
              className="chip"
              aria-label={`No dam: ${k.name}`}
              onClick={() => void edit({ do: 'take-line-away', line: dam.id })}
            >
              No dam
            </button>
          </>
        ) : (
          <button
            type="button"
            className="chip"
            aria-label={`A dam round it: ${k.name}`}
            onClick={() => void edit({ do: 'build-dam', spot: k.id, widthMm: plainDamMm })}
          >
            A dam round it
          </button>
        )}
        {mould && k.keep === 'visible' && (
          <NumberAt
            place={`${at}.clearMm`}
            label={`Clear against the face over ${k.name}`}
            unit="mm"
            empty={usual['kept.clearMm'] ?? ''}
            value={k.clearMm ?? null}
          />
        )}
        <button
          type="button"
          className="chip"
          aria-label={`Take out: ${k.name}`}
          onClick={() => void edit({ do: 'free-spot', id: k.id })}
        >
          Take out
        </button>
      </p>
      <PlaceFields of={k} spot={{ id: k.id }} at={at} name={k.name} />
    </section>
  );
}

/** How much of the layer each colour takes up, and how far it leans to one side. */
function Balance() {
  const { layer, layerPlan, setCup, cup } = useStation();
  if (layerPlan.balance.length < 2) return null;
  return (
    <section aria-label="Balance" className="balance">
      <h3>Balance</h3>
      <ul>
        {layerPlan.balance.map((b) => {
          const of = layer.cups.find((c) => c.id === b.cupId);
          return (
            <li key={b.cupId} data-lit={cup === b.cupId || undefined}>
              <button
                type="button"
                className="balance-name"
                onClick={() => setCup(cup === b.cupId ? null : b.cupId)}
              >
                <i
                  className="balance-swatch"
                  style={{
                    background: colourIn(layerPlan, b.cupId) ?? '#dfe9e6',
                  }}
                  aria-hidden
                />
                {of?.name}
              </button>
              <HowNumber of={b.share} label={`Share of ${of?.name}`} />
              <span className="lean">
                weight sits <HowNumber of={b.lean} label={`Off centre: ${of?.name}`} decimals={0} /> off
                centre
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
