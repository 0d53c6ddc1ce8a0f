'use client';

import QRCode from 'qrcode';
import { useMemo } from 'react';

/** Light modules round a code, as readers need them. */
const QUIET = 4;

/** A text as a code that a phone's camera reads: black on white in any theme. */
export function QrCode({
  text,
  label,
  size = 208,
}: {
  text: string;
  label: string;
  size?: number;
}) {
  const { path, side } = useMemo(() => {
    const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
    const dark = [...modules.data].flatMap((one, index) =>
      one
        ? [`M${QUIET + (index % modules.size)} ${QUIET + Math.floor(index / modules.size)}h1v1h-1z`]
        : [],
    );
    return { path: dark.join(''), side: modules.size + 2 * QUIET };
  }, [text]);
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${side} ${side}`}
      width={size}
      height={size}
      shapeRendering="crispEdges"
      className="border-[length:var(--stroke)] border-ink bg-white"
    >
      <path d={path} fill="#000" />
    </svg>
  );
}
