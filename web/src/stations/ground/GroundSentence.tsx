import type { Ground } from '../../api/client';
import { Choice, ColourField, NumberField } from '../../parts/Fields';

interface Props {
  ground: Ground;
  say: (field: string) => string | undefined;
  onChange: (ground: Ground) => void;
}

/** The ground as a sentence with blanks. */
export function GroundSentence({ ground, say, onChange }: Props) {
  const { outline } = ground;
  const set = (change: Partial<Ground>) => onChange({ ...ground, ...change });
  const size = (value: number | null) => value ?? 0;
  return (
    <div className="sentence">
      <p>
        A panel that is{' '}
        <Choice
          label="Outline"
          quiet
          value={outline.shape}
          choices={[
            ['rectangle', 'a rectangle'],
            ['round', 'round'],
          ]}
          onChange={(shape) =>
            shape !== outline.shape &&
            set({
              outline:
                shape === 'round'
                  ? {
                      shape,
                      diameterMm:
                        outline.shape === 'rectangle' ? Math.min(outline.widthMm, outline.heightMm) : 300,
                    }
                  : {
                      shape,
                      widthMm: outline.shape === 'round' ? outline.diameterMm : 400,
                      heightMm: outline.shape === 'round' ? outline.diameterMm : 300,
                    },
            })
          }
        />
        {outline.shape === 'rectangle' ? (
          <>
            {' of '}
            <NumberField
              label="Width"
              quiet
              unit="mm"
              value={outline.widthMm}
              takes="ground.outline.widthMm"
              error={say('ground.outline.widthMm')}
              onChange={(v) => set({ outline: { ...outline, widthMm: size(v) } })}
            />
            {' wide by '}
            <NumberField
              label="Height"
              quiet
              unit="mm"
              value={outline.heightMm}
              takes="ground.outline.heightMm"
              error={say('ground.outline.heightMm')}
              onChange={(v) => set({ outline: { ...outline, heightMm: size(v) } })}
            />
            {' high,'}
          </>
        ) : (
          <>
            {', '}
            <NumberField
              label="Diameter"
              quiet
              unit="mm"
              value={outline.diameterMm}
              takes="ground.outline.diameterMm"
              error={say('ground.outline.diameterMm')}
              onChange={(v) => set({ outline: { ...outline, diameterMm: size(v) } })}
            />
            {' across,'}
          </>
        )}
      </p>
      <p>
        with sides of{' '}
        <NumberField
          label="Side height"
          quiet
          unit="mm"
          value={ground.sideHeightMm}
          takes="ground.sideHeightMm"
          error={say('ground.sideHeightMm')}
          onChange={(v) => set({ sideHeightMm: size(v) })}
        />{' '}
        and an edge that is{' '}
        <Choice
          label="Edge"
          quiet
          value={ground.edge}
          choices={[
            ['taped-clean', 'taped clean'],
            ['dripped-over', 'dripped over'],
          ]}
          onChange={(edge) => set({ edge })}
        />
        , on ground of this colour{' '}
        <ColourField label="Ground colour" value={ground.colour} onChange={(colour) => set({ colour })} />
      </p>
    </div>
  );
}
