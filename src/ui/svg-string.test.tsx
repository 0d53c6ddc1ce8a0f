import { svgString } from './svg-string';

const Dot = ({ x, children }: { x: number; children?: string }) => (
  <g>
    <circle cx={x} cy={2} r={1} strokeWidth={1.5} />
    {children && <text>{children}</text>}
  </g>
);

describe('svgString', () => {
  it('writes elements and components as SVG spells them', () => {
    expect(
      svgString(
        <svg viewBox="0 0 4 4" clipPath="url(#a)">
          <Dot x={1} />
          {[1, 2].map((x) => (
            <Dot key={x} x={x}>
              {`<${x} & "so">`}
            </Dot>
          ))}
          {null}
          {false}
          <>{3}</>
        </svg>,
      ),
    ).toBe(
      '<svg viewBox="0 0 4 4" clip-path="url(#a)">' +
        '<g><circle cx="1" cy="2" r="1" stroke-width="1.5"></circle></g>' +
        '<g><circle cx="1" cy="2" r="1" stroke-width="1.5"></circle><text>&lt;1 &amp; &quot;so&quot;&gt;</text></g>' +
        '<g><circle cx="2" cy="2" r="1" stroke-width="1.5"></circle><text>&lt;2 &amp; &quot;so&quot;&gt;</text></g>' +
        '3</svg>',
    );
  });

  it('refuses what it cannot draw', () => {
    expect(() => svgString(Promise.resolve('x'))).toThrow('plain elements');
  });
});
