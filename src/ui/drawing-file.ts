/** What a drawing's looks are made of, as a page's styles give them; a file has no such styles. */
const LOOKS = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-opacity',
  'stroke-dasharray',
  'stroke-linecap',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
] as const;

const SVG = 'http://www.w3.org/2000/svg';

/** A drawing of the page with its looks written into it. */
function withLooks(drawing: SVGSVGElement): SVGSVGElement {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [drawing, copy].map((one) => [one, ...one.querySelectorAll('*')]) as [
    Element[],
    Element[],
  ];
  own.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const look of LOOKS) copied[i]!.setAttribute(look, style.getPropertyValue(look));
    copied[i]!.removeAttribute('class');
  });
  return copy;
}

/** Room above each drawing for its name, and for what it says. */
const HEAD = 46;

/**
 * Drawings of the page below each other as one SVG file, each under its name and with what it says in words, which is its
 * label for who does not see it.
 *
 * @param drawings in order
 * @returns the text of the file
 */
export function drawingsFile(drawings: readonly SVGSVGElement[]): string {
  const width = Math.max(...drawings.map((one) => one.width.baseVal.value));
  const whole = document.createElementNS(SVG, 'svg');
  let y = 0;
  const said = (text: string, below: number, size: number, weight: number, ink: string) => {
    const line = document.createElementNS(SVG, 'text');
    const looks = { x: 12, y: y + below, fill: ink, 'font-size': size, 'font-weight': weight };
    for (const [name, value] of Object.entries(looks)) line.setAttribute(name, String(value));
    line.textContent = text;
    whole.append(line);
  };
  const style = getComputedStyle(document.body);
  const ground = document.createElementNS(SVG, 'rect');
  whole.append(ground);
  for (const drawing of drawings) {
    const [name = '', words = ''] = (drawing.getAttribute('aria-label') ?? '').split(/: (.*)/s);
    said(name, 22, 17, 650, style.color);
    said(words, 40, 13, 400, style.color);
    const copy = withLooks(drawing);
    copy.setAttribute('x', '12');
    copy.setAttribute('y', String(y + HEAD));
    whole.append(copy);
    y += HEAD + drawing.height.baseVal.value;
  }
  for (const [name, value] of Object.entries({
    xmlns: SVG,
    width: width + 24,
    height: y + 8,
    viewBox: `0 0 ${width + 24} ${y + 8}`,
    'font-family': style.fontFamily,
  })) {
    whole.setAttribute(name, String(value));
  }
  for (const [name, value] of Object.entries({ width: '100%', height: '100%' })) {
    ground.setAttribute(name, value);
  }
  ground.setAttribute('fill', style.backgroundColor);
  return new XMLSerializer().serializeToString(whole);
}
