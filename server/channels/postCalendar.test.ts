import ICAL from "ical.js";
import { calendarFile } from "./postCalendar";

test("posts and offers are read from the calendar by another program (ical.js), an offer to its last day", () => {
  const file = calendarFile(
    {
      posts: [
        {
          ...{ id: "p1", slug: "pots", name: "Pots, now; and then", channel: "plaza", placement: "square-feed" },
          ...{ state: "scheduled", at: new Date("2026-12-01T14:30:00Z"), views: 0 },
        },
      ],
      // From Tuesday to Sunday in London: it ends as Monday begins.
      offers: [
        {
          id: "o1",
          name: "Pot week",
          startsAt: new Date("2026-07-06T23:00:00Z"),
          endsAt: new Date("2026-07-12T23:00:00Z"),
        },
      ],
      views: [],
    },
    { team: "Quillfern", zone: "Europe/London", address: (slug) => `http://127.0.0.1/promotions/${slug}/post` },
  );
  const calendar = ICAL.Component.fromString(file);
  const events = calendar.getAllSubcomponents("vevent").map((event) => new ICAL.Event(event));
  expect(events.map(({ summary }) => summary)).toEqual(["Pots, now; and then → square-feed", "Pot week"]);
  expect(events[0]?.startDate.toJSDate().toISOString()).toBe("2026-12-01T14:30:00.000Z");
  expect([events[1]?.startDate.toString(), events[1]?.endDate.toString()]).toEqual(["2026-07-07", "2026-07-13"]);
});
