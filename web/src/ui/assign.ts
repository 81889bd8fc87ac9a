/** Sets a field of a document's object; an empty text takes it out. */
export function setOrDrop<T extends object>(target: T, key: keyof T & string, value: string | number): void {
  if (value === "") Reflect.deleteProperty(target, key);
  else Reflect.set(target, key, value);
}
