import { useEffect, useRef, useState } from "react";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { SidePanel } from "../components/SidePanel";
import { whyNoDevice } from "../record/whyNoDevice";

const SOURCES = [
  ["camera", "Camera and microphone"],
  ["microphone", "Microphone alone"],
  ["screen", "This screen"],
] as const;
type Source = (typeof SOURCES)[number][0];

const open = (source: Source): Promise<MediaStream> =>
  source === "screen"
    ? navigator.mediaDevices.getDisplayMedia({ video: true, audio: true })
    : navigator.mediaDevices.getUserMedia({
        audio: true,
        video: source === "camera" ? { width: { ideal: 1920 }, height: { ideal: 1080 } } : false,
      });

const wanted = (source: Source): string[] =>
  source === "microphone"
    ? ["audio/webm;codecs=opus", "audio/mp4"]
    : ["video/webm;codecs=vp9,opus", "video/webm;codecs=vp8,opus", "video/webm", "video/mp4"];

/** Records camera, microphone or screen, and brings the recording in like any file. */
export function Recorder({ onRecorded, onClose }: { onRecorded: (file: File) => void; onClose: () => void }) {
  const [source, setSource] = useState<Source>("camera");
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [recorder, setRecorder] = useState<MediaRecorder | null>(null);
  const [elapsed, setElapsed] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (shown.current) shown.current.srcObject = stream;
    return () => stream?.getTracks().forEach((track) => track.stop());
  }, [stream]);
  useEffect(() => {
    if (!recorder) return;
    const started = performance.now();
    const timer = setInterval(() => setElapsed((performance.now() - started) / 1000), 200);
    return () => clearInterval(timer);
  }, [recorder]);

  async function ready(): Promise<void> {
    setProblem(null);
    try {
      setStream(await open(source));
    } catch (error) {
      setProblem(whyNoDevice(error, "No such device was found. Plug it in, and try again."));
    }
  }

  function start(of: MediaStream): void {
    const mimeType = wanted(source).find((type) => MediaRecorder.isTypeSupported(type));
    const made = new MediaRecorder(of, mimeType ? { mimeType, videoBitsPerSecond: 12_000_000 } : {});
    const parts: Blob[] = [];
    made.ondataavailable = ({ data }) => parts.push(data);
    made.onstop = () => {
      const stamp = new Date().toISOString().slice(0, 16).replace("T", " ").replace(":", ".");
      onRecorded(
        new File(parts, `${source} ${stamp}.${made.mimeType.includes("mp4") ? "mp4" : "webm"}`, {
          type: made.mimeType,
        }),
      );
      setRecorder(null);
      setStream(null);
      onClose();
    };
    made.start(500);
    setElapsed(0);
    setRecorder(made);
  }

  return (
    <SidePanel title="Record" onClose={onClose}>
      <fieldset disabled={stream !== null} className="mb-4 flex flex-col gap-1">
        <legend className="mb-1 text-sm">What to record</legend>
        {SOURCES.map(([value, text]) => (
          <label key={value} className="flex items-center gap-2 py-1">
            <input
              type="radio"
              name="source"
              value={value}
              checked={source === value}
              onChange={() => setSource(value)}
              className="accent-accent"
            />{" "}
            {text}
          </label>
        ))}
      </fieldset>
      {source !== "microphone" ? (
        <video
          ref={shown}
          muted
          autoPlay
          playsInline
          className="aspect-video w-full bg-proof"
          aria-label="What the recording sees"
        />
      ) : (
        <p className="flex aspect-[4/1] items-center justify-center bg-proof text-ink">
          {stream ? "The microphone is listening." : "Sound only"}
        </p>
      )}
      {problem && (
        <Notice kind="wrong" className="mt-4">
          {problem}
        </Notice>
      )}
      <div className="mt-4 flex items-center gap-4">
        {!stream && (
          <Button look="main" onClick={() => void ready()}>
            Get ready
          </Button>
        )}
        {stream && !recorder && (
          <Button look="main" onClick={() => start(stream)}>
            Start recording
          </Button>
        )}
        {recorder && (
          <Button look="main" onClick={() => recorder.stop()}>
            Stop and keep
          </Button>
        )}
        {recorder && (
          <span role="timer" className="figures">
            {elapsed.toFixed(1)} s
          </span>
        )}
      </div>
      <p className="mt-4 text-sm text-soft">
        Nothing leaves this machine before you stop; then it is brought in like any other file.
      </p>
    </SidePanel>
  );
}
