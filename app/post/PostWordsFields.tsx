import { type PostWords } from "../../core/post/postWords";
import { Field, Labelled, inputClasses } from "../components/Field";
import { useId } from "react";

/** The words of a post, to be typed. */
export function PostWordsFields({
  words: { title, body, tags, link, alt, countsFrom },
  problems,
}: {
  words: PostWords;
  problems: Readonly<Record<string, string>>;
}) {
  const id = useId();
  return (
    <>
      <Field label="Title" name="title" defaultValue={title} problem={problems["title"]} />
      <Labelled id={id} label="Text" problem={problems["body"]}>
        <textarea id={id} name="body" rows={6} defaultValue={body} className={inputClasses} />
      </Labelled>
      <Field
        label="Tags"
        name="tags"
        hint="with or without #"
        defaultValue={tags.map((tag) => `#${tag}`).join(" ")}
        problem={problems["tags"]}
      />
      <Field label="Link" name="link" type="url" defaultValue={link} problem={problems["link"]} />
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          name="countsFrom"
          value="true"
          defaultChecked={countsFrom}
          className="h-4 w-4 accent-accent"
        />
        the link says where it was followed from (UTM)
      </label>
      <Field
        label="For those who don’t see the picture"
        name="alt"
        hint="of stills"
        defaultValue={alt}
        problem={problems["alt"]}
      />
    </>
  );
}
