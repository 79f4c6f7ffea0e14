import type { CSSProperties } from 'react';

interface Props {
  address: string;
  /** What it shows; empty where the control around it says so. */
  alt: string;
  width: CSSProperties['width'];
  height?: CSSProperties['height'];
  whole?: boolean;
  white?: boolean;
}

/** A picture as the browser's own image: one that is set as a background would be left out on paper. */
export function Picture({ address, alt, width, height, whole = false, white = false }: Props) {
  return (
    <img
      src={address}
      alt={alt}
      draggable={false}
      style={{
        width,
        height: height ?? 'auto',
        objectFit: whole ? 'contain' : 'cover',
        display: 'block',
        ...(white ? { backgroundColor: 'white' } : {}),
      }}
    />
  );
}
