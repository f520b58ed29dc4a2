import { Link, useSearchParams } from "react-router";

/** Words to search for instead, where nothing fits; something else to say where none is near. */
export function NearWords({ near, otherwise }: { near: readonly string[]; otherwise: string }) {
  const [params] = useSearchParams();
  if (near.length === 0) return otherwise;
  const linkTo = (word: string): string => {
    const next = new URLSearchParams(params);
    next.set("words", word);
    return `?${next}`;
  };
  return (
    <>
      Near it:{" "}
      {near.map((word, at) => (
        <span key={word}>
          {at > 0 && ", "}
          <Link to={linkTo(word)} className="underline">
            {word}
          </Link>
        </span>
      ))}
      .
    </>
  );
}
