/** The person's language, as the browser has it. */
export const language = (): string => (typeof navigator === 'undefined' ? 'en-GB' : navigator.language);
