/** Every message the code says, each with the file that says it first, and what a screen says past the catalogue. */
export function messagesInCode(): { messages: Map<string, string>; bare: string[] };
