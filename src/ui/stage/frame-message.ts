import { z } from 'zod';

const rect = z.tuple([z.number(), z.number(), z.number(), z.number()]);
const id = z.string().max(40);
const own = z.literal('mill-pond-frame');

/** What a preview frame says. It comes from page content's side of the fence, so every message is checked. */
export const frameMessageSchema = z.discriminatedUnion('type', [
  z.object({ from: own, type: z.literal('ready') }),
  z.object({
    from: own,
    type: z.literal('layout'),
    rects: z.record(id, rect.nullable()),
    viewport: z.number(),
    content: z.number(),
    contentHeight: z.number(),
    scrollWidth: z.number(),
    scrollY: z.number(),
  }),
  z.object({ from: own, type: z.literal('hover'), id: id.nullable() }),
  z.object({ from: own, type: z.literal('select'), id: id.nullable(), add: z.boolean() }),
  z.object({ from: own, type: z.literal('writing'), id: id.nullable() }),
  z.object({ from: own, type: z.literal('text'), id, text: z.string(), keep: z.boolean() }),
  z.object({
    from: own,
    type: z.literal('key'),
    key: z.string().max(40),
    ctrl: z.boolean(),
    shift: z.boolean(),
    alt: z.boolean(),
  }),
]);
export type FrameMessage = z.infer<typeof frameMessageSchema>;
export type FrameLayout = Extract<FrameMessage, { type: 'layout' }>;
