'use client';

import type { Option } from './Choice';
import { Choice } from './Choice';
import type { Bar } from './diagrams';
import { Boxes, option } from './diagrams';
import type { Shaped } from './shape';
import { valueOf } from './shape';

const THREE: readonly Bar[] = [
  [1, 5, 3, 6],
  [6, 5, 3, 6],
  [11, 5, 3, 6],
];

const DIRECTIONS: readonly Option[] = [
  option('flex-direction', 'row', 'side by side', <Boxes bars={THREE} line="M1 14h13l-2-2" />),
  option('flex-direction', 'column', 'below each other', <Boxes bars={THREE} turned line="M14 1v13l-2-2" />),
  option('flex-direction', 'row-reverse', 'side by side, from the end', <Boxes bars={THREE} line="M15 14H2l2-2" />),
  option(
    'flex-direction',
    'column-reverse',
    'below each other, from the end',
    <Boxes bars={THREE} turned line="M14 15V2l-2 2" />,
  ),
];

const WRAPS: readonly Option[] = [
  option('flex-wrap', 'nowrap', 'never', <Boxes bars={THREE} />),
  option(
    'flex-wrap',
    'wrap',
    'to the next row',
    <Boxes
      bars={[
        [1, 2, 5, 5],
        [9, 2, 5, 5],
        [1, 9, 5, 5],
      ]}
    />,
  ),
  option(
    'flex-wrap',
    'wrap-reverse',
    'to a row above',
    <Boxes
      bars={[
        [1, 9, 5, 5],
        [9, 9, 5, 5],
        [1, 2, 5, 5],
      ]}
    />,
  ),
];

const spread = (bars: readonly Bar[], turned: boolean) => (
  <Boxes bars={bars} turned={turned} line={turned ? 'M1 .5h14M1 15.5h14' : 'M.5 1v14M15.5 1v14'} />
);
const ALONG: Readonly<Record<string, readonly [label: string, xs: readonly [number, number, number]]>> = {
  normal: ['as usual', [2, 5, 8]],
  start: ['at the start', [2, 5, 8]],
  center: ['in the middle', [4, 7, 10]],
  end: ['at the end', [6, 9, 12]],
  'space-between': ['room between', [1, 7, 13]],
  'space-around': ['room around', [2, 7, 12]],
  'space-evenly': ['even room', [3, 7, 11]],
};

function along(property: string, turned: boolean): Option[] {
  return Object.entries(ALONG)
    .filter(([value]) => value !== 'normal')
    .map(([value, [label, xs]]) =>
      option(
        property,
        value,
        label,
        spread(
          xs.map((x): Bar => [x, 4, 2, 8]),
          turned,
        ),
      ),
    );
}

function across(property: string, turned: boolean): Option[] {
  const line = turned ? 'M.5 1v14M15.5 1v14' : 'M1 .5h14M1 15.5h14';
  const draw = (bars: readonly Bar[]) => <Boxes bars={bars} turned={turned} line={line} />;
  return [
    option(
      property,
      'stretch',
      'stretched',
      draw([
        [3, 2, 3, 12],
        [9, 2, 3, 12],
      ]),
    ),
    option(
      property,
      'start',
      'at the start',
      draw([
        [3, 2, 3, 8],
        [9, 2, 3, 5],
      ]),
    ),
    option(
      property,
      'center',
      'in the middle',
      draw([
        [3, 4, 3, 8],
        [9, 5.5, 3, 5],
      ]),
    ),
    option(
      property,
      'end',
      'at the end',
      draw([
        [3, 6, 3, 8],
        [9, 9, 3, 5],
      ]),
    ),
    option(
      property,
      'baseline',
      'by their letters',
      <Boxes
        bars={[
          [3, 3, 3, 7],
          [9, 6, 3, 6],
        ]}
        turned={turned}
        line={turned ? 'M9.5 1v14' : 'M1 9.5h14'}
      />,
    ),
  ];
}

const DISPLAYS: readonly Option[] = [
  option(
    'display',
    'block',
    'as a block',
    <Boxes
      bars={[
        [1, 3, 14, 4],
        [1, 9, 14, 4],
      ]}
    />,
  ),
  option('display', 'flex', 'as a row or column', <Boxes bars={THREE} />),
  option(
    'display',
    'grid',
    'as a grid',
    <Boxes
      bars={[
        [1, 2, 6, 5],
        [9, 2, 6, 5],
        [1, 9, 6, 5],
        [9, 9, 6, 5],
      ]}
    />,
  ),
];

/** Takes part, leaves no gap, or stays as an empty place. */
function visibility(shaped: Shaped, ids: readonly string[]): { current: string; options: Option[] } {
  const [display, visible] = [valueOf(shaped, 'display'), valueOf(shaped, 'visibility')];
  const beneath = shaped.fields.get('display')?.resolution.beaten.find(({ value }) => value !== 'none')?.value ?? 'block';
  const shown = { visibility: 'visible', ...(display === 'none' && { display: beneath }) };
  return {
    current: ids.length === 0 ? '' : display === 'none' ? 'out' : visible === 'visible' ? 'shown' : 'kept',
    options: [
      { value: 'shown', label: 'shown', values: shown, sign: <Boxes bars={THREE} /> },
      {
        value: 'out',
        label: 'out of the layout, neighbours move',
        values: { display: 'none' },
        sign: <Boxes bars={[THREE[0]!, [6, 5, 3, 6]]} />,
      },
      {
        value: 'kept',
        label: 'invisible, keeps its room',
        values: { visibility: 'hidden' },
        sign: <Boxes bars={[THREE[0]!, THREE[2]!]} line="M6.5 5.5h3v5h-3z" />,
      },
    ],
  };
}

/** Display and visibility as diagrams. */
export function DisplayControls({ shaped }: { shaped: Shaped }) {
  const seen = visibility(shaped, shaped.ids);
  return (
    <>
      <Choice label="Seen" shaped={shaped} current={seen.current} options={seen.options} properties={['visibility']} />
      <Choice
        label="Lays out"
        shaped={shaped}
        current={valueOf(shaped, 'display').replace(/^inline-/, '')}
        options={DISPLAYS}
        properties={['display']}
      />
      <Choice
        label="Too much"
        shaped={shaped}
        current={valueOf(shaped, 'overflow-x') === valueOf(shaped, 'overflow-y') ? valueOf(shaped, 'overflow-x') : ''}
        options={OVERFLOWS}
        properties={['overflow-x', 'overflow-y']}
      />
    </>
  );
}

/** Direction, wrapping, alignment and distribution as diagrams. */
export function FlowControls({ shaped }: { shaped: Shaped }) {
  const display = valueOf(shaped, 'display');
  const column = /flex/.test(display) && valueOf(shaped, 'flex-direction').startsWith('column');
  if (!/flex|grid/.test(display))
    return <p className="m-0 px-3.5 py-1 text-xs text-muted">Laid out as a block. Choose a row or a grid under Layout.</p>;
  return (
    <>
      {/flex/.test(display) && (
        <>
          <Choice
            label="Direction"
            shaped={shaped}
            current={valueOf(shaped, 'flex-direction')}
            options={DIRECTIONS}
            properties={['flex-direction']}
          />
          <Choice
            label="Wrapping"
            shaped={shaped}
            current={valueOf(shaped, 'flex-wrap')}
            options={WRAPS}
            properties={['flex-wrap']}
          />
        </>
      )}
      {/grid/.test(display) && (
        <Choice
          label="Items along"
          shaped={shaped}
          current={valueOf(shaped, 'justify-items').replace(/legacy|normal/, 'stretch')}
          options={across('justify-items', true)}
          properties={['justify-items']}
        />
      )}
      <Choice
        label={/grid/.test(display) ? 'All columns' : 'Along'}
        shaped={shaped}
        current={valueOf(shaped, 'justify-content').replace('flex-', '').replace('normal', 'start')}
        options={along('justify-content', column)}
        properties={['justify-content']}
      />
      <Choice
        label="Across"
        shaped={shaped}
        current={valueOf(shaped, 'align-items').replace('flex-', '').replace('normal', 'stretch')}
        options={across('align-items', column)}
        properties={['align-items']}
      />
    </>
  );
}

const overflow = (value: string, label: string, bars: readonly Bar[]) =>
  option('overflow', value, label, <Boxes bars={bars} line="M2.5 2.5h10v11h-10z" />);

/** What happens to what doesn't fit. */
const OVERFLOWS: readonly Option[] = [
  overflow('visible', 'shows past the edge', [
    [3, 4, 13, 3],
    [3, 9, 13, 3],
  ]),
  overflow('hidden', 'is cut off', [
    [3, 4, 9, 3],
    [3, 9, 9, 3],
  ]),
  overflow('auto', 'scrolls', [
    [3, 4, 7, 3],
    [3, 9, 7, 3],
    [11, 3, 1.5, 6],
  ]),
];
