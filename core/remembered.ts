/** The same function, worked out once for each object it is asked of and forgotten with that object. For answers that depend
 *  on the object alone, which must not change afterwards. */
export function remembered<K extends object, V>(work: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (of) => {
    let answer = known.get(of);
    if (!answer) known.set(of, (answer = { value: work(of) }));
    return answer.value;
  };
}
