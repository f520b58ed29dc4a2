import { X } from "lucide-react";
import { Bar } from "../components/Bar";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { type Upload } from "../components/useUploads";

/** Files on their way in, with progress and cancel for each; what was not taken says why. */
export function UploadList({
  uploads,
  onCancel,
  onAgain,
  onGoOn,
  onShow,
}: {
  uploads: readonly Upload[];
  onCancel: (key: number) => void;
  onAgain: (key: number) => void;
  onGoOn: (key: number) => void;
  onShow: (id: string) => void;
}) {
  if (uploads.length === 0) return null;
  return (
    <ul
      aria-label="Uploads"
      className="mb-5 max-h-72 divide-y divide-rule overflow-y-auto border-y border-rule bg-card"
    >
      {uploads.map(({ key, name, share, problem, isLost, known }) => (
        <li key={key} className="flex items-center gap-4 px-3 py-2 text-sm">
          {problem ? (
            <Notice kind="wrong" className="flex-1">
              {problem}
              {isLost && (
                <Button look="quiet" className="ml-2 text-ink!" onClick={() => onGoOn(key)}>
                  Go on from {Math.round(share * 100)} %
                </Button>
              )}
            </Notice>
          ) : known ? (
            <Notice kind="warn" className="flex-1">
              “{name}” is here already{known.name === name ? "" : ` as “${known.name}”`}.{" "}
              <Button look="quiet" className="mx-2 text-ink!" onClick={() => onShow(known.id)}>
                Show it
              </Button>
              <Button look="quiet" className="text-ink!" onClick={() => onAgain(key)}>
                Bring it in all the same
              </Button>
            </Notice>
          ) : (
            <>
              <span className="w-72 truncate">{name}</span>
              <Bar share={share} label={`Sending ${name}`} />
              <span className="w-12 text-right figures">{Math.round(share * 100)} %</span>
            </>
          )}
          <button
            type="button"
            onClick={() => onCancel(key)}
            className="p-1 text-soft hover:text-ink"
            aria-label={problem || known ? `Dismiss ${name}` : `Cancel ${name}`}
          >
            <X aria-hidden size={16} />
          </button>
        </li>
      ))}
    </ul>
  );
}
