/** The value kept under a key, made when first asked for. */
export function kept<Key, Value>(
  store: { get(key: Key): Value | undefined; set(key: Key, value: Value): unknown },
  key: Key,
  make: () => Value,
): Value {
  let value = store.get(key);
  if (value === undefined) store.set(key, (value = make()));
  return value;
}
