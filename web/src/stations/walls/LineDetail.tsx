import type { LinePlan } from '../../api/client';
import type { Line } from '../../editor/filled';
import { ChoiceAt, ColourAt, NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { TimeField } from '../../parts/TimeField';
import { useEdits } from '../../parts/editing';
import { fieldText, wireText } from '../../units/format';
import { CupChoice } from '../CupChoice';
import { useStation } from '../station';
import { PasteMix } from './PasteMix';
import { barriers, unsaidBarriers } from './barriers';

interface Props {
  line: Line;
  plan: LinePlan | undefined;
  name: string;
}

/** A line opened: what it is of, how it is laid, how it runs, and that it is laid. */
export function LineDetail({ line, plan, name }: Props) {
  const { select } = useStation();
  const { edit } = useEdits();
  const at = `lines[${line.id}]`;
  const dries = line.material.kind === 'barrier' || line.material.kind === 'relief';
  const mark = (done: boolean, when: string | null = null) =>
    void edit({ do: 'mark-laid', lines: [line.id], done, at: when });
  return (
    <div className="line-detail">
      <p className="line">
        <Of line={line} name={name} />
        {(['widthMm', 'heightMm'] as const).map((key) => (
          <span key={key} className="with-comma">
            <NumberAt
              place={`${at}.section.${key}`}
              label={`${name}, ${key === 'widthMm' ? 'wide' : 'high'}`}
              quiet
              unit="mm"
              empty="?"
              value={line.section[key] ?? null}
            />{' '}
            {key === 'widthMm' ? 'wide,' : 'high'}
          </span>
        ))}
      </p>
      {line.material.kind !== 'barrier' && <Laid line={line} name={name} />}
      <Runs line={line} name={name} />
      {line.material.kind === 'paste' && (
        <PasteMix line={line} paste={line.material} plan={plan} name={name} />
      )}
      <p className="hint">
        {plan && (
          <span>
            <HowNumber of={plan.draw} label={`${name}, by hand`} decimals={1} /> by hand
          </span>
        )}
        {plan?.holds && (
          <span>
            {', holds to '}
            <HowNumber of={plan.holds} label={`${name}, holds to`} decimals={2} />
          </span>
        )}
        {plan?.dry && (
          <span>
            {', dries '}
            <HowNumber of={plan.dry} label={`${name}, dries`} decimals={2} />
          </span>
        )}
        {plan?.peels && (
          <span>
            {', peels after '}
            <HowNumber of={plan.peels} label={`${name}, peels after`} decimals={0} />
          </span>
        )}
      </p>
      <div className="row-buttons">
        {dries && (
          <button
            type="button"
            className="btn btn-outline-primary"
            aria-pressed={line.laid != null}
            onClick={() => mark(line.laid == null)}
          >
            {line.laid ? 'Laid' : 'Mark as laid'}
          </button>
        )}
        <button
          type="button"
          className="btn btn-outline-primary"
          aria-label={`Take away: ${name}`}
          onClick={() => {
            select(null);
            void edit({ do: 'take-line-away', line: line.id });
          }}
        >
          Take away
        </button>
      </div>
      {line.laid && (
        <TimeField
          label={`${name}, laid at`}
          value={fieldText(line.laid.at as string | undefined)}
          onChange={(to) => mark(true, wireText(to))}
        />
      )}
    </div>
  );
}

/** What it is of. */
function Of({ line, name }: { line: Line; name: string }) {
  const { layer, here } = useStation();
  const { edit, set } = useEdits();
  const { material } = line;
  const at = `lines[${line.id}].material`;
  switch (material.kind) {
    case 'barrier':
      return (
        <Choice
          label={`${name}, of`}
          quiet
          value={material.class ?? ''}
          choices={unsaidBarriers}
          onChange={(to) => set(`${at}.class`, to === '' ? null : to)}
        />
      );
    case 'relief':
      return (
        <>
          <ChoiceAt
            place={`${at}.class`}
            label={`${name}, of`}
            quiet
            value={material.class}
            choices={barriers}
          />
          <ColourAt place={`${at}.colour`} label={`${name}, colour`} value={material.colour} />
        </>
      );
    default:
      return (
        <CupChoice
          label={`${name}, cup`}
          layer={layer}
          value={material.recipeId}
          onChange={(recipe) =>
            edit({
              do: 'pour-from',
              ...here,
              region: here.zone === null ? line.region : line.region.slice(here.zone.length + 1),
              recipe,
            })
          }
        />
      );
  }
}

/** Whether it is even, swells, or is laid dot by dot. */
function Laid({ line, name }: { line: Line; name: string }) {
  const at = `lines[${line.id}].section`;
  return (
    <p className="line">
      {'swelling by '}
      <span className="with-comma">
        <NumberAt
          place={`${at}.swell`}
          label={`${name}, swelling`}
          quiet
          unit="%"
          per={100}
          value={line.section.swell ?? 0}
        />
        ,
      </span>
      {' in dots every '}
      <NumberAt
        place={`${at}.everyMm`}
        label={`${name}, from dot to dot`}
        quiet
        unit="mm"
        empty="none"
        value={line.section.everyMm ?? null}
      />
    </p>
  );
}

/** How it runs, where that can be said in numbers. */
function Runs({ line, name }: { line: Line; name: string }) {
  const { course } = line;
  const at = `lines[${line.id}].course`;
  if (course.kind === 'border')
    return (
      <p className="line">
        {'from '}
        <NumberAt
          place={`${at}.from`}
          label={`${name}, from`}
          quiet
          unit="%"
          per={100}
          value={course.from ?? 0}
        />
        {' to '}
        <NumberAt place={`${at}.to`} label={`${name}, to`} quiet unit="%" per={100} value={course.to ?? 1} />
        {' of the border, beside it by '}
        <NumberAt
          place={`${at}.offMm`}
          label={`${name}, beside the border`}
          quiet
          unit="mm"
          value={course.offMm ?? 0}
        />
      </p>
    );
  if (course.kind === 'ring')
    return (
      <p className="line">
        <NumberAt
          place={`${at}.diameterMm`}
          label={`${name}, across`}
          quiet
          unit="mm"
          value={course.diameterMm}
        />
        {' across, '}
        <NumberAt place={`${at}.xMm`} label={`${name}, from the left`} quiet unit="mm" value={course.xMm} />
        {' from the left, '}
        <NumberAt place={`${at}.yMm`} label={`${name}, from the top`} quiet unit="mm" value={course.yMm} />
        {course.turns == null ? ' from the top' : ' from the top, '}
        {course.turns != null && (
          <>
            <NumberAt place={`${at}.turns`} label={`${name}, turns`} quiet unit="" value={course.turns} />
            {' turns'}
          </>
        )}
      </p>
    );
  return null;
}
