/** Codes as they are compared: without surrounding white space, regardless of case. */
export const plainCode = (typed: string): string => typed.trim().toLowerCase();

export const isSameCode = (a: string, b: string): boolean => plainCode(a) === plainCode(b);
