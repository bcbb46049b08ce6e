import { getStateFromPath as work } from 'expo-router/build/fork/getStateFromPath';

let last = null;

/** The router asks what an address means several times in a row, and reads through all routes each time: the last answer is kept. */
export function getStateFromPath(path, options, segments = []) {
  const from = segments.join('/');
  if (last?.path !== path || last.options !== options || last.from !== from)
    last = { path, options, from, state: work(path, options, segments) };
  return last.state;
}
