import { z } from 'zod';

const ATTRIBUTE_MAX = 20_000;

export const attributeNameSchema = z.string().regex(/^[a-z_][a-z0-9_:.-]{0,60}$/, "That isn't an attribute name.");
export const attributeValueSchema = z.string().max(ATTRIBUTE_MAX, `An attribute has at most ${ATTRIBUTE_MAX} characters.`);

/** HTML attributes by name. Which of them an element can have is asked of `whyNotAttribute`. */
export const attributesSchema = z.record(attributeNameSchema, attributeValueSchema);
