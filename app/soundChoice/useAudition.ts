import { useEffect, useRef, useState } from "react";

/** What is listened to while one chooses: one sound at a time, heard on while the list is scrolled or searched. */
export interface Audition {
  /** The address of what plays; null where nothing does. */
  readonly playing: string | null;
  /** From where it was to the end, in shares, 0 to 1. */
  readonly at: number;
  /** Plays a sound from its start, or holds the one that plays. */
  readonly toggle: (address: string) => void;
  /** Plays another in the place of the one that plays; nothing where none does. */
  readonly goOn: (address: string) => void;
}

/** Ends with the component. */
export function useAudition(): Audition {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [playing, setPlaying] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  useEffect(() => () => audio.current?.pause(), []);

  function play(address: string): void {
    audio.current?.pause();
    const element = new Audio(address);
    audio.current = element;
    element.onended = () => setPlaying(null);
    element.ontimeupdate = () => setAt(element.duration > 0 ? element.currentTime / element.duration : 0);
    setAt(0);
    setPlaying(address);
    element.play().catch(() => {
      if (audio.current === element) setPlaying(null);
    });
  }
  function hold(): void {
    audio.current?.pause();
    setPlaying(null);
  }
  return {
    playing,
    at,
    toggle: (address) => (playing === address ? hold() : play(address)),
    goOn(address) {
      if (playing !== null && playing !== address) play(address);
    },
  };
}
