import { useEffect, useState } from 'react';

/** An address for a camera; until it is drawn its room is kept. */
export function QrCode({ link, size, className = '' }: { link: string; size: number; className?: string }) {
  const [image, setImage] = useState('');
  useEffect(() => {
    void import('qrcode').then((code) => code.toDataURL(link, { margin: 2, width: 2 * size })).then(setImage);
  }, [link, size]);
  return image === '' ? (
    <span className={className} style={{ width: size, height: size }} />
  ) : (
    <img src={image} alt="" width={size} height={size} className={`rounded bg-white ${className}`} data-testid="qr" />
  );
}
