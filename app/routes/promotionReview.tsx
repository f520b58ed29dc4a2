import { data, useFetcher } from "react-router";
import { dateFormat, momentFormat } from "../../core/text/formatters";
import { Refusal } from "../../core/refusal";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { formOf } from "../../server/doors/readBody";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { stillStamp } from "../../server/promotions/stillStamp";
import { removeComment, resolveComment } from "../../server/review/comments";
import { setReview } from "../../server/review/promotionReview";
import { refused, takeReview } from "../../server/review/reviewForms";
import { reviewedOf } from "../../server/review/reviewed";
import { embedToken, makeShareLink, revokeShareLink, shareLinksOf } from "../../server/review/shareLinks";
import type { Route } from "./+types/promotionReview";
import { Button } from "../components/Button";
import { ForEditors } from "../components/ForEditors";
import { useReload } from "../components/useReload";
import { useTeamEvents } from "../components/useTeamEvents";
import { DeskHeader } from "../desk/DeskHeader";
import { SendTabs } from "../desk/SendTabs";
import { ReviewDesk } from "../review/ReviewDesk";
import { reviewInWords } from "../review/reviewInWords";
import { ShareLinks } from "../review/ShareLinks";
import { type ShareAnswer } from "../review/shareAnswer";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const { id } = await promotionBySlug(scope, slug);
  const when = momentFormat(team);
  const day = dateFormat(team.locale, { dateStyle: "medium", timeZone: team.zone });
  const [reviewed, links] = await Promise.all([reviewedOf(scope, id), shareLinksOf(scope, id)]);
  return {
    slug,
    stamp: stillStamp(team),
    reviewed: reviewInWords(reviewed, when),
    links: links.map(({ endsAt, openedAt, ...link }) => ({
      ...link,
      // It ends with the day: the moment after is another one.
      until: endsAt && day.format(new Date(endsAt.getTime() - 1)),
      seen: openedAt && when.format(openedAt),
    })),
  };
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const person = await requirePerson(request);
  const { scope, id: member, name } = person;
  const form = await formOf(request);
  const { id, revision, document } = await promotionBySlug(scope, slug);
  const comment = readIds(formText(form, "comment"))[0] ?? NO_ID;
  try {
    switch (formText(form, "intent")) {
      case "link": {
        await requireEditor(request);
        const made = await makeShareLink(person, id, form);
        if (!made.ok) return data<ShareAnswer>({ ...refused(made.problems), link: null }, { status: 422 });
        if (made.values.isAsked) await setReview(scope, id, { state: "asked", by: name });
        await noteDeed(scope, name, `made a link by which others see “${document.name}”`);
        const { token } = made.values;
        const link = { page: `/shared/${token}`, embed: `/embed/${embedToken(token)}` };
        return { ...refused({}), link } satisfies ShareAnswer;
      }
      case "revoke":
        await requireEditor(request);
        await revokeShareLink(scope, id, readIds(formText(form, "link"))[0] ?? NO_ID);
        await noteDeed(scope, name, `took back a link to “${document.name}”`);
        return refused({});
      case "ask":
        await requireEditor(request);
        await setReview(scope, id, { state: "asked", by: name });
        return refused({});
      case "done":
      case "open-again":
        await resolveComment(scope, id, { id: comment, by: name, isDone: form.get("intent") === "done" });
        return refused({});
      case "remove-comment":
        await requireEditor(request);
        await removeComment(scope, id, comment, name);
        return refused({});
      default: {
        const answer = await takeReview(scope, { id, revision }, { name, member, link: null }, form);
        return data(answer, answer.taken === null ? { status: 422 } : {});
      }
    }
  } catch (error) {
    if (error instanceof Refusal) return data(refused({ form: error.message }), { status: 409 });
    throw error;
  }
}

export default function PromotionReview({ loaderData: { slug, stamp, reviewed, links } }: Route.ComponentProps) {
  const asking = useFetcher();
  const reload = useReload();
  useTeamEvents((event) => {
    const isOfThis = (event.topic === "review" || event.topic === "promotion") && event.slug === slug;
    if (isOfThis || (event.topic === "rendition" && event.promotion === slug && event.left === 0)) reload();
  }, reload);
  const { state, render, name, revision, comments } = reviewed;
  const canAsk = render !== null && state !== "asked";
  return (
    <div className="flex flex-1 flex-col">
      <DeskHeader slug={slug} name={name} current="Send">
        {canAsk && (
          <ForEditors>
            <asking.Form method="post">
              <Button type="submit" name="intent" value="ask">
                {state === "none" ? "Ask the team for approval" : "Ask the team again"}
              </Button>
            </asking.Form>
          </ForEditors>
        )}
      </DeskHeader>
      <SendTabs slug={slug} open={comments.filter(({ resolvedBy }) => resolvedBy === null).length} />
      <ReviewDesk
        reviewed={reviewed}
        fileAt={(id) => `/renditions/${id}/file`}
        posterAt={(format) => `/promotions/${slug}/still/${format}?large&revision=${revision}&as=${stamp}`}
      >
        <ShareLinks links={links} embeds={render?.files.map(({ format }) => format) ?? []} />
      </ReviewDesk>
    </div>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
