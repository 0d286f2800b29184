import { useEffect, useState } from 'react';

/** A code to be scanned, drawn once what draws it has been fetched. */
export function QrCode({ text, alt }: { readonly text: string; readonly alt: string }) {
  const [drawn, setDrawn] = useState<string>();
  useEffect(() => {
    let isWanted = true;
    void import('qrcode')
      .then(({ default: Code }) => Code.toString(text, { type: 'svg', margin: 2 }))
      .then((svg) => isWanted && setDrawn(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`));
    return () => {
      isWanted = false;
    };
  }, [text]);
  return drawn === undefined ? null : <img src={drawn} alt={alt} className="size-64 bg-white" />;
}
