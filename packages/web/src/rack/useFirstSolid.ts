import { useEffect, useState } from 'react';
import { wordsProject } from '../store/index.ts';
import { pictureOfProject } from './pictures.ts';

/** Who goes on typing is not kept waiting for what he typed before. */
const REST_MS = 180;

/** A picture of the solid that words become, as they are typed; the last one stays until the next is there. */
export function useFirstSolid(words: string): string | undefined {
  const [picture, setPicture] = useState<string>();
  const text = words.trim();
  useEffect(() => {
    if (text === '') return setPicture(undefined);
    const left = new AbortController();
    const timer = setTimeout(() => {
      pictureOfProject(wordsProject(text), left.signal)
        .then((blob) => blob && !left.signal.aborted && setPicture(URL.createObjectURL(blob)))
        // it is only a look ahead: what can't be drawn is told once the project is open
        .catch(() => undefined);
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      left.abort();
    };
  }, [text]);
  useEffect(() => () => (picture ? URL.revokeObjectURL(picture) : undefined), [picture]);
  return picture;
}
