import type { ReactNode } from 'react';
import { vi } from 'vitest';
import type { Edit } from '../api/client';
import type { FieldValue } from './editing';
import { EditingProvider } from './editing';

/** Ways to change a piece that only note what they were asked for. */
export function testEdits(errors: Record<string, string> = {}) {
  const edit = vi.fn<(...commands: Edit[]) => Promise<null>>(() => Promise.resolve(null));
  const editing = {
    edit,
    drag: vi.fn<(commands: Edit[], movedAt: number) => void>(),
    letGo: vi.fn(),
    set: vi.fn<(place: string, value: FieldValue) => Promise<null>>(() => Promise.resolve(null)),
    say: (place: string) => errors[place],
    go: vi.fn(),
  };
  const Page = ({ children }: { children: ReactNode }) => (
    <EditingProvider value={editing}>{children}</EditingProvider>
  );
  return { ...editing, Page };
}
