import { useWorkshop } from '../../units/workshop';
import { TextAt } from '../../parts/At';
import { NumberField } from '../../parts/NumberField';
import { useEdits } from '../../parts/editing';
import { Figure } from '../../parts/Figure';
import { HowNumber } from '../../parts/HowNumber';
import type { AtStation } from '../station';
import { useStation } from '../station';
import { GroundSentence } from './GroundSentence';
import { Prepare } from './Prepare';
import { Stand } from './Stand';
import { howLevel } from './howLevel';
import './ground.scss';

export function GroundStation() {
  const { piece, plan, view, secondLook } = useStation();
  const { data: workshop } = useWorkshop();
  const { ground } = piece;
  return (
    <>
      <StandsHow />
      {secondLook}
      <GroundSentence
        of={<TextAt place="name" label="Name" quiet value={piece.name} />}
        ground={ground}
        spans={{ widthMm: plan.ground.spanWidthMm, heightMm: plan.ground.spanHeightMm }}
      />
      <dl className="figures">
        <Figure term={ground.set ? 'Area of all' : 'Area'} of={plan.ground.area} />
        <Figure term="Perimeter" of={plan.ground.perimeter} decimals={0} />
        {!plan.ground.mould && <Figure term="Sides" of={plan.ground.sideArea} />}
      </dl>
      {plan.ground.mould && <MouldFigures mould={plan.ground.mould} />}
      {plan.ground.parts.length > 1 && <Cavities />}
      <a
        className="picture-link"
        href={`/api/pieces/${view.id}/outline.svg`}
        download={`${piece.name} outline.svg`}
      >
        Outline as SVG, in real mm
      </a>
      <Stand ground={ground} plan={plan.ground} />
      <Prepare pot={plan.pot} plan={plan.ground} now={workshop?.now.local} />
    </>
  );
}

/** How level it stands, of several panels the worst: what the station is for, said first. */
function StandsHow() {
  const { plan } = useStation();
  const panels = plan.ground.panels?.map((p) => p.standing) ?? [plan.ground.standing];
  const read = panels.filter((p) => p.drift != null);
  const worst = read.sort((a, b) => b.drift!.value - a.drift!.value)[0];
  return (
    <h2>
      {worst?.drift ? (
        <>
          <HowNumber of={worst.drift} label="Drift" className="bench" decimals={2} />
          <span className="beside">
            from side to side: {howLevel(worst)}
            {read.length < panels.length && `, ${panels.length - read.length} not read`}
          </span>
        </>
      ) : (
        'Ground, not levelled yet'
      )}
    </h2>
  );
}

/** Letters or cavities, each with its area, its own depth and what the layer takes in it. */
function Cavities() {
  const { piece, layer, layerIndex, plan } = useStation();
  const { edit, say } = useEdits();
  const { mould } = piece.ground;
  const { parts } = plan.ground;
  const what = mould ? 'cavities' : 'letters';
  const one = mould ? 'cavity' : 'letter';
  return (
    <section aria-label={mould ? 'Cavities' : 'Letters'}>
      <h3>
        {parts.length} {what}, from left to right
      </h3>
      <ol className="part-list">
        {parts.map((part, i) => {
          const own = layer.partDepths?.findIndex((d) => d.part === i + 1) ?? -1;
          const cavity = mould?.cavityDepths?.find((d) => d.part === i + 1);
          return (
            <li key={i}>
              <HowNumber of={part.area} label={`Area of ${one} ${i + 1}`} />
              <NumberField
                label={`Depth of ${layer.name} in ${one} ${i + 1}`}
                quiet
                unit="mm"
                value={part.layerDepthMm[layerIndex] ?? null}
                takes={{ field: 'layers.partDepths.depthMm' }}
                error={say(`layers[${layer.id}].partDepths[${own}].depthMm`)}
                onChange={(depthMm) =>
                  void edit({ do: 'set-depth-in-cavity', layer: layer.id, cavity: i + 1, depthMm })
                }
              />
              deep, takes
              {part.layerMl[layerIndex] && (
                <HowNumber
                  of={part.layerMl[layerIndex]}
                  label={`${layer.name} in ${one} ${i + 1}`}
                  decimals={1}
                />
              )}
              {mould && 'of a cavity'}
              {mould && (
                <NumberField
                  label={`Depth of cavity ${i + 1}`}
                  quiet
                  unit="mm"
                  value={cavity?.depthMm ?? mould.depthMm}
                  takes={{ field: 'ground.mould.cavityDepths.depthMm' }}
                  onChange={(depthMm) => void edit({ do: 'set-cavity-depth', cavity: i + 1, depthMm })}
                />
              )}
            </li>
          );
        })}
      </ol>
      <p className="hint">How deep {layer.name} is in each, and what it takes there without reserve.</p>
    </section>
  );
}

interface MouldProps {
  mould: NonNullable<AtStation['plan']['ground']['mould']>;
}

/** What the mould holds, what is left of it, how often it is filled, and the hollows of its inserts. */
function MouldFigures({ mould }: MouldProps) {
  const { piece } = useStation();
  const { castings } = mould;
  const { edit } = useEdits();
  return (
    <section aria-label="Mould">
      <dl className="figures">
        <Figure term="A cavity holds" of={mould.capacity} decimals={0} />
        <Figure term="For the layers" of={mould.body} decimals={0} />
        <Figure term="Depth left" of={mould.room} decimals={1}>
          {mould.room.value < 0 && 'too deep: it runs over'}
        </Figure>
      </dl>
      <p>
        {castings.length === 1
          ? castings[0] === 1
            ? 'One casting of one piece.'
            : `One casting of ${castings[0]}.`
          : `${castings.length} castings, of ${castings.join(' + ')}.`}{' '}
        {castings[0]! > 1 && `The cups are for ${castings[0]} pieces at once.`}
      </p>
      {mould.inserts.length > 0 && (
        <ul className="hollows">
          {mould.inserts.map((insert) => {
            const name = piece.ground.mould?.inserts?.find((i) => i.id === insert.insertId)?.name ?? '';
            const layer = piece.layers.find((l) => l.id === insert.layerId);
            return (
              <li key={insert.insertId}>
                <b>{name}</b> keeps out <HowNumber of={insert.displaces} label={`${name} keeps out`} />
                {'; its hollow takes '}
                <HowNumber of={insert.fill} label={`Fill of ${name}`} />
                {', '}
                <HowNumber of={insert.depth} label={`Depth of ${name}`} decimals={1} />
                {' deep. '}
                {layer ? (
                  <small>Filled by {layer.name}, with its own clock in the mould.</small>
                ) : (
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    onClick={() => void edit({ do: 'fill-hollow', insert: insert.insertId })}
                  >
                    Plan its fill
                  </button>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
