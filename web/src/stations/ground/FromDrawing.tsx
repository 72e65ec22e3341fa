import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Outline } from '../../api/client';
import { Refused } from '../../api/client';
import { readDrawing } from '../../api/changes';
import { FileButton } from '../../parts/FileButton';
import { NumberField } from '../../parts/NumberField';
import './FromDrawing.scss';

type Drawn = Extract<Outline, { shape: 'drawn' }>;

const usualDpi = 96;
const mostBytes = 5_000_000;

/** Takes the outline of an SVG drawing; what is wrong with it is said and changes nothing. */
export function FromDrawing({ onRead }: { onRead: (outline: Drawn) => void }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const reading = useMutation(readDrawing);
  const [dpi, setDpi] = useState(usualDpi);
  const [file, setFile] = useState<File | null>(null);

  const read = (from: File, dotsPerInch: number) => {
    if (from.size > mostBytes)
      return setWrong(
        `The drawing has ${(from.size / 1e6).toFixed(1)} MB; up to ${mostBytes / 1e6} MB are read.`,
      );
    reading.mutate(
      { file: from, dpi: dotsPerInch },
      {
        onSuccess: ({ outline }) => {
          setWrong(null);
          if (outline.shape === 'drawn') onRead(outline);
        },
        onError: (e) =>
          setWrong(
            e instanceof Refused
              ? (e.errors['svg']?.[0] ?? e.errors['dpi']?.[0] ?? e.message)
              : 'The file cannot be read.',
          ),
      },
    );
  };

  return (
    <span className="from-drawing">
      <FileButton
        accept=".svg,image/svg+xml"
        onFile={(chosen) => {
          setFile(chosen);
          read(chosen, dpi);
        }}
      >
        {file ? 'Another SVG drawing' : 'Outline from an SVG drawing'}
      </FileButton>
      {file && (
        <>
          {' sizes in pixels at '}
          <NumberField
            label="Pixels to an inch"
            quiet
            unit="to an inch"
            value={dpi}
            onChange={(v) => {
              if (v === null) return;
              setDpi(v);
              read(file, v);
            }}
          />
        </>
      )}
      {wrong && (
        <span className="field-error" role="alert">
          {wrong}
        </span>
      )}
    </span>
  );
}
