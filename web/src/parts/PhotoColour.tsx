import { useRef, useState } from 'react';
import { FileButton } from './FileButton';
import './PhotoColour.scss';

/** So many pixels beside the one that is pressed count, on every side: the grain of a photo is no colour. */
const besides = 2;
const widest = 320;
const step = 4;

interface Props {
  label: string;
  onPick: (colour: string) => void;
}

/** A colour from a photo: it is opened here, in this page alone, and the colour is taken where it is pressed. */
export function PhotoColour({ label, onPick }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const [at, setAt] = useState({ x: 0, y: 0 });
  const [wrong, setWrong] = useState(false);
  const open = async (file: File) => {
    try {
      const image = await createImageBitmap(file);
      const by = Math.min(1, widest / image.width);
      const to = {
        width: Math.max(1, Math.round(image.width * by)),
        height: Math.max(1, Math.round(image.height * by)),
      };
      const on = canvas.current!;
      Object.assign(on, to);
      on.getContext('2d', { willReadFrequently: true })!.drawImage(image, 0, 0, to.width, to.height);
      setSize(to);
      setAt({ x: Math.round(to.width / 2), y: Math.round(to.height / 2) });
      setWrong(false);
    } catch {
      setWrong(true);
    }
  };
  const take = (x: number, y: number) => {
    setAt({ x, y });
    onPick(colourAt(canvas.current!.getContext('2d')!, x, y));
  };
  const move = (x: number, y: number) =>
    size &&
    setAt({
      x: Math.min(size.width - 1, Math.max(0, x)),
      y: Math.min(size.height - 1, Math.max(0, y)),
    });
  return (
    <div className="photo-colour">
      <FileButton accept="image/png,image/jpeg" onFile={(file) => void open(file)}>
        {label}
      </FileButton>
      {wrong && <span className="field-error">This picture cannot be opened: choose a JPEG or PNG.</span>}
      <div className="photo" hidden={!size}>
        <canvas
          ref={canvas}
          tabIndex={0}
          role="button"
          aria-label="The photo: press where the colour is. Arrow keys move the mark, Enter takes the colour there."
          onClick={(e) => {
            const box = e.currentTarget.getBoundingClientRect();
            take(
              Math.floor(((e.clientX - box.left) / box.width) * e.currentTarget.width),
              Math.floor(((e.clientY - box.top) / box.height) * e.currentTarget.height),
            );
          }}
          onKeyDown={(e) => {
            const [dx, dy] =
              { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
                e.key
              ] ?? [];
            if (dx !== undefined && dy !== undefined) move(at.x + dx, at.y + dy);
            else if (e.key === 'Enter' || e.key === ' ') take(at.x, at.y);
            else return;
            e.preventDefault();
          }}
        />
        {size && (
          <i
            className="photo-mark"
            style={{ left: `${(100 * at.x) / size.width}%`, top: `${(100 * at.y) / size.height}%` }}
            aria-hidden
          />
        )}
      </div>
    </div>
  );
}

/** The mean of what lies round a pixel, as it is looked at: in light, not in numbers. */
function colourAt(on: CanvasRenderingContext2D, x: number, y: number): string {
  const [left, top] = [Math.max(0, x - besides), Math.max(0, y - besides)];
  const wide = Math.min(on.canvas.width, x + besides + 1) - left;
  const high = Math.min(on.canvas.height, y + besides + 1) - top;
  const { data } = on.getImageData(left, top, wide, high);
  const sum = [0, 0, 0];
  for (let i = 0; i < data.length; i += 4) for (let c = 0; c < 3; c++) sum[c]! += (data[i + c]! / 255) ** 2.2;
  const hex = sum.map((s) =>
    Math.round(255 * (s / (data.length / 4)) ** (1 / 2.2))
      .toString(16)
      .padStart(2, '0'),
  );
  return `#${hex.join('')}`;
}
