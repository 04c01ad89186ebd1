/**
 * A text with quotes for tildes and tildes for quotes; turned twice it is as it was. A page carries its data as text within
 * a text, in which every quote of JSON would be escaped twice.
 * @example turned('{"a":"~"}') // "{~a~:~\"~}"
 */
export const turned = (text: string): string => text.replace(/["~]/g, (sign) => (sign === "~" ? '"' : "~"));
