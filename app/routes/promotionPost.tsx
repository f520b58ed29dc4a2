import { data } from "react-router";
import { momentFormat } from "../../core/text/formatters";
import { Refusal } from "../../core/refusal";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { channelsNow } from "../../server/channels/connected";
import { loadPostDesk } from "../../server/channels/postDesk";
import { savePostText } from "../../server/channels/postText";
import { cancelPost, retryPost, schedulePost } from "../../server/channels/posts";
import { formOf } from "../../server/doors/readBody";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import type { Route } from "./+types/promotionPost";
import { Notice } from "../components/Notice";
import { ReviewerNote } from "../components/ForEditors";
import { useMayEdit } from "../components/useMayEdit";
import { useReload } from "../components/useReload";
import { useTeamEvents } from "../components/useTeamEvents";
import { DeskHeader } from "../desk/DeskHeader";
import { SendTabs } from "../desk/SendTabs";
import { postAnswer } from "../post/postAnswer";
import { PostList } from "../post/PostList";
import { PostPlaceCard } from "../post/PostPlaceCard";
import { PostTextForm } from "../post/PostTextForm";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const promotion = await promotionBySlug(scope, slug);
  const when = momentFormat(team);
  const { posts, places, ...desk } = await loadPostDesk(scope, promotion);
  const titles = new Map(
    places.map(({ placement, channel }) => [`${channel.id} ${placement.id}`, { placement, channel }]),
  );
  return {
    ...desk,
    ...{ slug, name: promotion.document.name, zone: team.zone, formats: Object.keys(promotion.document.formats) },
    places,
    posts: posts.map(({ at, liveAt, ...post }) => ({
      ...post,
      when: when.format(liveAt ?? at),
      where: titles.get(`${post.channel} ${post.placement}`)?.placement.title ?? post.placement,
      on: titles.get(`${post.channel} ${post.placement}`)?.channel.title ?? post.channel,
    })),
  };
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const person = await requireEditor(request);
  const { scope } = person;
  const form = await formOf(request);
  const { id, document } = await promotionBySlug(scope, slug);
  const post = readIds(formText(form, "post"))[0] ?? NO_ID;
  try {
    switch (formText(form, "intent")) {
      case "words": {
        const read = await savePostText(scope, id, form);
        if (!read.ok) return data(postAnswer({ problems: read.problems }), { status: 422 });
        return postAnswer({ done: "The words are kept." });
      }
      case "cancel":
        await cancelPost(scope, id, post);
        await noteDeed(scope, person.name, `called off a post of “${document.name}”`);
        return postAnswer();
      case "retry":
        await retryPost(scope, id, post);
        return postAnswer();
      case "post": {
        const { channels, problem } = await channelsNow();
        if (problem !== null) throw new Refusal(problem);
        const channel = channels.find((one) => one.id === formText(form, "channel"));
        const placement = channel?.placements.find((one) => one.id === formText(form, "placement"));
        if (!channel || !placement) throw new Refusal("This place is not there any more. Load the page again.");
        const at = formText(form, "at");
        const answer = await schedulePost(person, {
          promotion: { id, slug, name: document.name, offer: document.offer },
          ...{ channel, placement, at: at === "" ? null : at, anyway: form.get("anyway") === "yes" },
        });
        if ("warnings" in answer) return data(postAnswer({ warnings: answer.warnings }), { status: 409 });
        const where = `${placement.title}, ${channel.title}`;
        await noteDeed(
          scope,
          person.name,
          `${at === "" ? "posted" : `planned for ${at.replace("T", ", ")}`} “${document.name}” (${where})`,
        );
        return postAnswer({ done: at === "" ? "It is on its way." : "It is planned." });
      }
      default:
        throw new Response("The page for posting does not know what to do with that.", { status: 400 });
    }
  } catch (error) {
    if (error instanceof Refusal) return data(postAnswer({ problem: error.message }), { status: 422 });
    throw error;
  }
}

export default function PromotionPost({
  loaderData: { slug, name, zone, formats, words, suggested, places, posts, problem, qr },
}: Route.ComponentProps) {
  const mayEdit = useMayEdit();
  const reload = useReload();
  useTeamEvents((event) => {
    const isOfThis = event.topic === "post" && event.slug === slug;
    if (isOfThis || (event.topic === "rendition" && event.promotion === slug && event.left === 0)) reload();
  }, reload);
  const fitting = places.filter(({ placement }) => formats.includes(placement.format));
  return (
    <main className="flex flex-1 flex-col">
      <DeskHeader slug={slug} name={name} current="Send">
        {null}
      </DeskHeader>
      <SendTabs slug={slug} />
      <div className="grid flex-1 grid-cols-[minmax(320px,420px)_minmax(0,1fr)] max-lg:grid-cols-1">
        <aside className="border-r border-rule bg-card px-6 py-5 max-sm:px-4">
          {mayEdit ? <PostTextForm words={words} suggested={suggested} qr={qr} /> : <ReviewerNote />}
        </aside>
        <div className="min-w-0 px-8 py-5 max-sm:px-4">
          {problem !== null && (
            <Notice kind="warn" className="mb-4">
              {problem}
            </Notice>
          )}
          <section aria-label="Where it can be posted">
            <h2 className="mb-3">Where to</h2>
            {fitting.length === 0 && problem === null && (
              <p className="text-sm text-soft">No channel takes a shape that this promotion is made in.</p>
            )}
            <ul className="divide-y divide-rule border-y border-rule">
              {fitting.map((place) => (
                <PostPlaceCard
                  key={`${place.channel.id} ${place.placement.id}`}
                  slug={slug}
                  place={place}
                  zone={zone}
                />
              ))}
            </ul>
          </section>
          <PostList posts={posts} />
        </div>
      </div>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
