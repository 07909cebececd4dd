/** Small line drawings of what a building block makes; text stands as lines, boxes as boxes. */
const PATHS: Readonly<Record<string, string>> = {
  section: 'M1 2h14v12H1z',
  row: 'M1 4h6v8H1zM9 4h6v8H9z',
  grid: 'M1 3h4v4H1zM6 3h4v4H6zM11 3h4v4h-4zM1 9h4v4H1zM6 9h4v4H6zM11 9h4v4h-4z',
  group: 'M1 3h2M1 3v2M15 3h-2M15 3v2M1 13h2M1 13v-2M15 13h-2M15 13v-2',
  heading: 'M2 5h12M2 8h7',
  text: 'M2 4h12M2 7h12M2 10h12M2 13h6',
  link: 'M2 7h10M2 11h10M12 4l2 2-2 2',
  button: 'M1 5h14v6H1zM5 8h6',
  picture: 'M1 3h14v10H1zM1 11l4-4 3 3 3-2 4 3',
  figure: 'M2 2h12v8H2zM4 13h8',
  list: 'M2 4h1M5 4h9M2 8h1M5 8h9M2 12h1M5 12h9',
  item: 'M2 8h1M5 8h9',
  table: 'M1 3h14v10H1zM1 6h14M6 3v10M11 3v10',
  field: 'M2 4h5M1 7h14v6H1z',
  navigation: 'M1 8h3M6 8h4M12 8h3M1 11h14',
  quotation: 'M2 3v10M5 5h9M5 8h9M5 11h5',
  details: 'M2 4l3 2-3 2zM7 6h7M7 10h7M7 13h5',
  terms: 'M2 4h5M5 7h9M2 10h5M5 13h9',
  choice: 'M1 4h14v7H1zM10 6l2 2 2-2',
  preformatted: 'M2 4h4M8 4h6M4 8h8M2 12h6',
  rule: 'M1 8h14',
};

export function PaletteSign({ id }: { id: string }) {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden className="shrink-0 fill-none stroke-muted">
      <path d={PATHS[id] ?? 'M8 2l6 6-6 6-6-6z'} strokeWidth="1.2" />
    </svg>
  );
}
