/** Sets a field of a document's object; an empty text or list takes it out. */
export function setOrDrop<T extends object>(target: T, key: keyof T & string, value: string | number | string[]): void {
  if (value === "" || (Array.isArray(value) && value.length === 0)) Reflect.deleteProperty(target, key);
  else Reflect.set(target, key, value);
}
