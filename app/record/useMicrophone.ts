import { useEffect, useRef, useState } from "react";
import { whyNoDevice } from "./whyNoDevice";
import { type Input, type Microphone, inputs, openMicrophone } from "./microphone";

/** The microphone that is listened to while a component is there, and those that can be chosen. */
export function useMicrophone() {
  const [device, setDevice] = useState<string | null>(null);
  const [microphone, setMicrophone] = useState<Microphone | null>(null);
  const [known, setKnown] = useState<readonly Input[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let isGone = false;
    let opened: Microphone | null = null;
    openMicrophone(device)
      .then(async (made) => {
        opened = made;
        if (isGone) {
          made.close();
          return;
        }
        setProblem(null);
        setMicrophone(made);
        setKnown(await inputs());
      })
      .catch((error: unknown) => {
        if (!isGone) setProblem(whyNoDevice(error, "No microphone was found. Plug one in, and try again."));
      });
    return () => {
      isGone = true;
      opened?.close();
      setMicrophone(null);
    };
  }, [device]);
  return { microphone, known, device: device ?? microphone?.device ?? "", setDevice, problem };
}

/** How high what a microphone hears is, 0 to 1, as often as the page is painted. */
export function useInputLevel(microphone: Microphone | null): number {
  const [level, setLevel] = useState(0);
  const frame = useRef(0);
  useEffect(() => {
    if (!microphone) return;
    const look = (): void => {
      // It falls slowly, so that it can be read.
      setLevel((before) => Math.max(microphone.level(), before * 0.94));
      frame.current = requestAnimationFrame(look);
    };
    frame.current = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame.current);
  }, [microphone]);
  return level;
}
