/** Weeks from Monday of this one: a number a day, and a bar under each day an offer runs. Days are `YYYY-MM-DD`. */
export function OfferCalendar({
  today,
  offers,
  weeks = 2,
}: {
  today: string;
  weeks?: number;
  offers: readonly { id: string; name: string; from: string; to: string }[];
}) {
  const start = new Date(`${today}T00:00:00Z`);
  start.setUTCDate(start.getUTCDate() - ((start.getUTCDay() + 6) % 7));
  const days = Array.from({ length: 7 * weeks }, (_, index) =>
    new Date(start.getTime() + index * 86_400_000).toISOString().slice(0, 10),
  );
  return (
    <div className="bg-card p-3">
      <div className="grid grid-cols-7 gap-y-1 text-center">
        {["Mo", "Tu", "We", "Th", "Fr", "Sa", "Su"].map((name) => (
          <span key={name} className="text-xs text-soft">
            {name}
          </span>
        ))}
        {days.map((day) => {
          const running = offers.filter(({ from, to }) => from <= day && day <= to);
          return (
            <div
              key={day}
              className={`flex min-h-[46px] flex-col gap-[3px] pt-1 ${day === today ? "bg-ink text-card" : day < today ? "text-soft" : ""}`}
              title={running.map(({ name }) => name).join(", ") || undefined}
            >
              <span className="figures">{Number(day.slice(8))}</span>
              {running.map(({ id, name }) => (
                <span key={id} className="h-[5px] bg-ready">
                  <span className="sr-only">{name}</span>
                </span>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}
