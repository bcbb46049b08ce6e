/** Looks belong to the tests in the browser. Here no class has a rule, and an element has the style written on it: asking for a role by its name would
 *  otherwise have jsdom work out the cascade of every element below it, which took most of the time of these tests. */
const style = document.head.appendChild(document.createElement('style'));
Object.getPrototypeOf(style.sheet).insertRule = () => 0;
style.remove();

const IN_LINE = new Set(['SPAN', 'A', 'LABEL', 'INPUT', 'BUTTON', 'IMG', 'SELECT', 'TEXTAREA']);
const UNSEEN = new Set(['HEAD', 'STYLE', 'SCRIPT', 'TEMPLATE']);
const displayOf = ({ tagName, hidden }) =>
  hidden || UNSEEN.has(tagName) ? 'none' : IN_LINE.has(tagName) ? 'inline' : 'block';

window.getComputedStyle = (element) => {
  const { style: own } = element;
  const of = (name) => own?.getPropertyValue(name) || (name === 'display' ? displayOf(element) : '');
  return { getPropertyValue: of, display: of('display'), visibility: of('visibility') };
};
