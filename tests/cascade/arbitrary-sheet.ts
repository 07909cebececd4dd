import fc from 'fast-check';

/** Selectors over what random pages are made of: tags, generated classes, attributes, structure, states. */
const SELECTORS = [
  '*', 'html', ':root', 'body', 'p', 'div', 'a', 'li', 'h2', 'button', 'input', 'table td', 'section > p', 'div div', 'p + p', 'h1 ~ *',
  '.shared-0', '.shared-1', 'p.shared-0', '.shared-0.shared-1', '[href]', 'input[type="checkbox"]', 'body > *', 'li:first-child', ':nth-child(2n+1)',
  'div:last-child', ':not(p)', ':is(p, .shared-2) > *', ':where(.shared-0) a', 'a:hover', 'p::before', 'div, p, .shared-1', '.row', 'section.grid', ':first-of-type',
  '.p-e1', '.div-e2', '.section-e3', 'body *:not(.shared-0)',
]; // prettier-ignore

/** Shorthands and longhands as people write them, among them such as take back what a longhand said. */
const DECLARATIONS = [
  'margin: 3px', 'margin: 1px 2px 3px', 'margin-left: 9px', 'padding: 1em 4px', 'padding-top: 7px', 'border: 2px solid red', 'border-top: thick', 'border-color: blue',
  'border: none', 'border-width: 1px 3px', 'background: red', 'background: #1c6b5e no-repeat', 'background-color: rgb(1, 2, 3)', 'background: none', 'font-size: 20px', 'font-size: 1.25em', 'font-size: 2rem',
  'font: italic bold 12px/1.4 Georgia, serif', 'font: 15px Georgia', 'line-height: 1.7', 'font-weight: bolder', 'color: green', 'color: inherit', 'flex: 1', 'flex: none', 'flex: 2 1 10px', 'flex-basis: 30px', 'flex-flow: column wrap',
  'gap: 4px 8px', 'column-gap: 1px', 'overflow: hidden', 'overflow-x: scroll', 'list-style: square inside', 'list-style-type: circle', 'text-decoration: underline', 'display: flex', 'display: inline-block',
  'inset: 1px 2px', 'top: 5px', 'grid-area: 1 / 2 / 3 / 4', 'grid-column: span 2', 'grid-row: 2 / 4', 'place-items: center start', 'place-content: end', 'margin-inline: 5px 6px', 'padding-block-start: 8px', 'margin: inherit', 'padding: initial',
  'width: 40%', 'min-width: 0', 'opacity: 0.5', 'text-align: center', 'position: absolute', 'float: left', 'letter-spacing: 1px', '--a: 6px', '--b: var(--a)', '--c: orange', 'padding-left: var(--a)', 'color: var(--c, red)', 'border-radius: 4px 8px',
  'border-top-left-radius: 2px', 'white-space: nowrap', 'text-transform: uppercase', 'cursor: pointer', 'accent-color: red', 'visibility: hidden', 'vertical-align: middle', 'text-indent: 2em', 'place-self: end', 'word-wrap: break-word', 'grid-gap: 3px',
]; // prettier-ignore

const declaration = fc
  .tuple(fc.constantFrom(...DECLARATIONS), fc.integer({ min: 0, max: 5 }))
  .map(([text, dice]) => (dice === 0 ? `${text} !important` : text));

const rule = fc
  .tuple(fc.constantFrom(...SELECTORS), fc.array(declaration, { minLength: 1, maxLength: 5 }))
  .map(([selector, lines]) => `${selector} { ${lines.join('; ')} }`);

const MEDIA = [
  '(max-width: 599px)', '(min-width: 600px)', 'screen and (min-width: 37.5em) and (max-width: 899.98px)', '(width <= 700px)', '(600px < width < 1200px)', '(min-height: 700px)', '(max-height: 699px)',
  '(orientation: landscape)', '(orientation: portrait) and (min-width: 500px)', '(pointer: coarse)', '(pointer: fine)', '(max-width: 500px), (min-width: 1100px)', 'only screen and (width >= 900px)', '(800px >= width)', 'print',
  '(hover: hover)', '(hover: none) and (min-width: 600px)', '(any-pointer: fine)', '(pointer: none)', '(prefers-color-scheme: dark)', '(prefers-color-scheme: light)',
  '(prefers-reduced-motion: reduce)', '(prefers-reduced-motion: no-preference)', '(min-resolution: 1.5dppx)', '(resolution < 2x) and (max-width: 700px)', '(max-resolution: 96dpi)',
]; // prettier-ignore

/** A style sheet as somebody else might have written it. */
export const arbitrarySheet = fc
  .array(
    fc.oneof(
      { weight: 3, arbitrary: rule },
      {
        weight: 2,
        arbitrary: fc
          .tuple(fc.constantFrom(...MEDIA), fc.array(rule, { minLength: 1, maxLength: 3 }))
          .map(([query, rules]) => `@media ${query} {\n${rules.join('\n')}\n}`),
      },
    ),
    { minLength: 1, maxLength: 6 },
  )
  .map((parts) => parts.join('\n'));
