const CSS_BYTES = 300_000;

/** A page of cards, five elements each, with 300 kB of style sheets, of which about a tenth speaks of something on it. */
export function largePage(cards: number): Readonly<Record<'index.html' | 'main.css', string>> {
  const card = (i: number) =>
    `<article class="card kind-${i % 40}" id="c${i}"><h2 class="title">Boat ${i}</h2><p class="text">Lies at <b>berth ${i}</b></p><a class="more" href="#c${i}">More</a></article>`;
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Harbour</title><link rel="stylesheet" href="main.css"></head>
<body><main class="grid">${Array.from({ length: cards }, (_, i) => card(i)).join('\n')}</main></body></html>`;
  let css =
    '.grid { display: grid; grid-template-columns: repeat(4, 1fr); gap: 12px }\n.card { padding: 8px; border: 1px solid #ccc }\n';
  for (let n = 0; css.length < CSS_BYTES; n++)
    css += `.kind-${n % 400} .${['title', 'text', 'more', 'gone'][n % 4]} { margin: ${n % 9}px ${n % 7}px; color: rgb(${n % 200}, 40, ${n % 90}); line-height: 1.${n % 9} }
@media (max-width: ${400 + (n % 12) * 100}px) { .kind-${n % 90}:hover > .title, .list-${n} li { padding: ${n % 5}px; font-size: ${12 + (n % 6)}px } }\n`;
  return { 'index.html': html, 'main.css': css };
}
