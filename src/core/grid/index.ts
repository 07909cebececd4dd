export { edgesOfColumns, gridAt, gridTroubles, layColumns, widthsOfTroubles } from './columns';
export { placeSpans } from './placement';
export type { Span } from './placement';
export { bandOfTarget, formatSpan, parseSpan, readSpan, spanDeclarations, spanTable } from './spans';
export type { SpanCell, SpanColumn } from './spans';
