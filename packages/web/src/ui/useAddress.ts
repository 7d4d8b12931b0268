import { useEffect, useState } from 'react';

/** Where an image of these bytes is shown from, as long as somebody shows it. */
export function useAddress(blob: Blob | null | undefined): string | undefined {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    if (!blob) return;
    const made = URL.createObjectURL(blob);
    setAddress(made);
    return () => {
      setAddress(undefined);
      URL.revokeObjectURL(made);
    };
  }, [blob]);
  return address;
}
