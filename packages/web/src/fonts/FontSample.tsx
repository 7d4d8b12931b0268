import { useIntersection } from '@mantine/hooks';
import { useEffect, type CSSProperties } from 'react';
import { loadSample, sampleName } from './fontSamples.ts';

interface FontSampleProps {
  text: string;
  /** of the font's file */
  hash: string;
  style?: CSSProperties;
}

/** A text in a font of ours, which is loaded when it comes into sight. */
export function FontSample({ text, hash, style }: FontSampleProps) {
  const { ref, entry } = useIntersection({ threshold: 0 });
  const isSeen = entry?.isIntersecting === true;
  useEffect(() => {
    if (isSeen) loadSample(hash);
  }, [isSeen, hash]);
  return (
    <span ref={ref} style={{ fontFamily: `"${sampleName(hash)}", var(--serif)`, ...style }}>
      {text}
    </span>
  );
}
