import { z } from 'zod';
import { elementIdSchema } from '@/core/document';
import { piecesSchema } from '@/core/writing';

const rect = z.tuple([z.number(), z.number(), z.number(), z.number()]);
const id = z.string().max(220);
const four = z.array(z.number()).length(4);
const flow = z.enum(['row', 'column', 'grid', 'block']);
const ids = z.array(id).max(10_000);
const size = z.object({ width: z.number(), height: z.number() });
const own = z.literal('mill-pond-frame');
/** The elements around what is chosen in a text. */
const marks = z.array(z.object({ id, tag: z.string().max(40) })).max(60);

/** Used values of the one selected element and what stands around it, CSS px. */
const measured = z.object({
  id,
  padding: four,
  border: four,
  margin: four,
  inset: four,
  gap: z.array(z.number()).length(2),
  fontSize: z.number(),
  lineHeight: z.number(),
  letterSpacing: z.number(),
  parentFontSize: z.number(),
  rootFontSize: z.number(),
  whole: size,
  contentBox: z.boolean(),
  flow,
  children: z.array(rect).max(60),
  parent: rect.nullable(),
  siblings: z.array(rect).max(60),
});
export type Measured = z.infer<typeof measured>;

const surveyed = z.object({ id, rect, flow, tracks: z.array(z.number()).max(60), gap: z.number(), inner: z.number() });

/** What a preview frame says. It comes from page content's side of the fence, so every message is checked. */
export const frameMessageSchema = z.discriminatedUnion('type', [
  z.object({ from: own, type: z.literal('ready') }),
  z.object({
    from: own,
    type: z.literal('layout'),
    rects: z.record(id, rect.nullable()),
    viewport: z.number(),
    height: z.number(),
    content: z.number(),
    contentHeight: z.number(),
    /** How high the content is, however high the frame. */
    naturalHeight: z.number(),
    scrollWidth: z.number(),
    scrollY: z.number(),
    measured: measured.nullable(),
    /** Of the question that it answers. */
    token: z.number().optional(),
  }),
  z.object({
    from: own,
    type: z.literal('survey'),
    token: z.number(),
    scrollX: z.number(),
    scrollY: z.number(),
    boxes: z.array(surveyed).max(10_000),
  }),
  /** Which rules hold for what was asked about, and what declarations come to. */
  z.object({
    from: own,
    type: z.literal('told'),
    token: z.number(),
    viewport: z.number(),
    answers: z
      .array(
        z.tuple([z.string().max(300), z.union([z.boolean(), z.record(z.string().max(100), z.string().max(2000).nullable())])]),
      )
      .max(50_000),
  }),
  z.object({ from: own, type: z.literal('anchor'), anchors: z.array(z.object({ id, part: z.number() })).max(100) }),
  z.object({ from: own, type: z.literal('outside'), partly: ids, wholly: ids }),
  z.object({
    from: own,
    type: z.literal('drag'),
    phase: z.enum(['start', 'move', 'end', 'cancel']),
    id: id.nullable(),
    x: z.number(),
    y: z.number(),
    shift: z.boolean(),
    ctrl: z.boolean(),
    alt: z.boolean(),
  }),
  /** Somebody who uses the page follows a link to a page of the project, "gfront#place". */
  z.object({ from: own, type: z.literal('follow'), page: z.string().max(200) }),
  /** The same, to somewhere else; or a form was sent. Nothing happens there. */
  z.object({ from: own, type: z.literal('outward'), what: z.string().max(300) }),
  /** How many alternates have been built since the page was opened. */
  z.object({ from: own, type: z.literal('built'), count: z.number() }),
  /** Back to editing. */
  z.object({ from: own, type: z.literal('leave') }),
  /** Something was pressed, with a finger or otherwise. */
  z.object({ from: own, type: z.literal('pressed'), finger: z.boolean() }),
  z.object({ from: own, type: z.literal('hover'), id: id.nullable() }),
  z.object({ from: own, type: z.literal('select'), id: id.nullable(), add: z.boolean() }),
  z.object({ from: own, type: z.literal('writing'), id: id.nullable(), start: z.number(), end: z.number(), marks }),
  z.object({ from: own, type: z.literal('written'), id, pieces: piecesSchema, typed: z.boolean() }),
  z.object({
    from: own,
    type: z.literal('split'),
    id,
    pieces: piecesSchema,
    next: z
      .array(z.object({ id: elementIdSchema, tag: z.string().max(40), pieces: piecesSchema }))
      .min(1)
      .max(20_000),
  }),
  z.object({ from: own, type: z.literal('joined'), id, gone: id, pieces: piecesSchema }),
  /** The keyboard asks for the bar with the marks. */
  z.object({ from: own, type: z.literal('marks') }),
  /** The focus has left the frame while something is written in it. */
  z.object({ from: own, type: z.literal('left') }),
  z.object({ from: own, type: z.literal('trouble'), text: z.string().max(300) }),
  z.object({
    from: own,
    type: z.literal('key'),
    up: z.boolean(),
    key: z.string().max(40),
    ctrl: z.boolean(),
    shift: z.boolean(),
    alt: z.boolean(),
  }),
]);
export type FrameMessage = z.infer<typeof frameMessageSchema>;
export type FrameDrag = Extract<FrameMessage, { type: 'drag' }>;
export type FrameWriting = Extract<
  FrameMessage,
  { type: 'writing' | 'written' | 'split' | 'joined' | 'marks' | 'left' | 'trouble' }
>;
export type FrameTold = Extract<FrameMessage, { type: 'told' }>;
export type FrameLayout = Extract<FrameMessage, { type: 'layout' }>;
