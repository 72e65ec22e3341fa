/** What of the map is chosen: its numbers are open, and its grips are out. */
export type Selected = { kind: 'band' | 'heart' | 'region' | 'line'; id: string } | null;
