import { Fragment, isValidElement, type ReactElement, type ReactNode } from 'react';

/** Attributes that SVG itself spells with capitals. */
const AS_THEY_ARE = new Set(['viewBox', 'preserveAspectRatio', 'clipPathUnits', 'gradientUnits']);

const attribute = (name: string): string =>
  AS_THEY_ARE.has(name) ? name : name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/**
 * A drawing of plain components as SVG text, for paper and files: the same components draw on the screen.
 *
 * @param node elements and components without hooks
 * @throws TypeError for anything else
 */
export function svgString(node: ReactNode): string {
  if (node === null || node === undefined || typeof node === 'boolean') return '';
  if (typeof node === 'string' || typeof node === 'number') return escaped(String(node));
  if (Array.isArray(node)) return node.map((one: ReactNode) => svgString(one)).join('');
  if (!isValidElement(node)) throw new TypeError('Only plain elements can be drawn on paper.');
  const { type, props } = node as ReactElement<Record<string, unknown>>;
  const { children, ...rest } = props;
  if (type === Fragment) return svgString(children as ReactNode);
  if (typeof type === 'function') {
    return svgString((type as (props: unknown) => ReactNode)(props));
  }
  if (typeof type !== 'string') throw new TypeError('Only plain components can be drawn on paper.');
  const attributes = Object.entries(rest)
    .filter(([, value]) => value !== undefined && value !== null && value !== false)
    .map(([name, value]) => ` ${attribute(name)}="${escaped(String(value))}"`)
    .join('');
  return `<${type}${attributes}>${svgString(children as ReactNode)}</${type}>`;
}
