import { z } from 'zod';

/** What may be left empty: null then, and else as a schema has it. */
export const orNothing = <Output>(schema: z.ZodType<Output, string>) =>
  z.string().transform((text, context): Output | null => {
    if (text.trim() === '') return null;
    const parsed = schema.safeParse(text);
    if (parsed.success) return parsed.data;
    for (const { message } of parsed.error.issues) context.addIssue({ code: 'custom', message });
    return z.NEVER;
  });
