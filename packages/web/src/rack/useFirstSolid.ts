import { useEffect, useRef, useState } from 'react';
import { wordsProject } from '../store/index.ts';
import { pictureOfProject } from './pictures.ts';

/** Who goes on typing is not kept waiting for what he typed before. */
const REST_MS = 180;

/**
 * A picture of the solid that words become, as they are typed; the last one stays until the next is there. One that is
 * being made is finished, as giving it up would end the workers that make the next.
 */
export function useFirstSolid(words: string): string | undefined {
  const [picture, setPicture] = useState<string>();
  const text = words.trim();
  const wanted = useRef(text);
  wanted.current = text;
  const making = useRef<Promise<void>>(undefined);
  const left = useRef(new AbortController());
  useEffect(() => {
    const here = (left.current = new AbortController());
    return () => here.abort();
  }, []);
  useEffect(() => {
    if (text === '') return setPicture(undefined);
    const make = async (): Promise<void> => {
      await making.current;
      if (wanted.current !== text) return;
      const blob = await pictureOfProject(wordsProject(text), left.current.signal);
      if (blob && wanted.current === text) setPicture(URL.createObjectURL(blob));
    };
    const timer = setTimeout(() => {
      // it is only a look ahead: what can't be drawn is told once the project is open
      making.current = make().catch(() => undefined);
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [text]);
  useEffect(() => () => (picture ? URL.revokeObjectURL(picture) : undefined), [picture]);
  return picture;
}
