import { capital } from "../../core/text/capital";
import { type Report } from "../../core/preflight/report";
import { formatTitle } from "../../core/placement/formats";
import { SEVERITIES, type Severity } from "../../core/preflight/finding";

const KINDS: Readonly<Record<Severity, { readonly title: string; readonly color: string }>> = {
  wrong: { title: "Must be mended", color: "#9b1c14" },
  warning: { title: "To be looked at", color: "#7a4b00" },
  advice: { title: "Advice", color: "#4b5563" },
};

/** It is opened without the application, so it brings its looks along. */
const LOOKS = `
  body { margin: 0; background: #f6f2e9; color: #1f2a24; font: 16px/1.5 system-ui, sans-serif; }
  main { max-width: 860px; margin: 0 auto; padding: 48px 32px 80px; }
  h1 { margin: 0 0 4px; font-size: 34px; line-height: 1.15; letter-spacing: -0.01em; }
  h2 { margin: 40px 0 8px; font-size: 20px; }
  p { margin: 0; }
  .about { color: #57605a; }
  .finding { display: grid; grid-template-columns: 190px 1fr; gap: 4px 20px; padding: 12px 0; border-top: 1px solid #d8d2c4; }
  .finding > :first-child { color: #57605a; font-size: 14px; }
  .numbers, .cures { grid-column: 2; color: #57605a; font-size: 14px; font-variant-numeric: tabular-nums; }
  table { width: 100%; border-collapse: collapse; font-size: 14px; }
  td { padding: 6px 0; border-top: 1px solid #d8d2c4; }
  td:last-child { text-align: right; font-variant-numeric: tabular-nums; }
  @media print { body { background: none; } }
`;

/** `widthUnits: 72` as people write it: “width 72 units”. */
function numberInWords([name, value]: readonly [string, number]): string {
  const [, what = name, unit = ""] = /^(.*?)(Units|Ms|Percent|Px)?$/.exec(name) ?? [];
  const words = what.replace(/([A-Z])/g, " $1").toLowerCase();
  return unit === "Ms" ? `${words} ${(value / 1000).toFixed(1)} s` : `${words} ${value} ${unit.toLowerCase()}`.trim();
}

/** What was found in a promotion, as a page of its own. */
export function ReportPage({ report }: { readonly report: Report }) {
  const { promotion, revision, at, formats, findings, rules } = report;
  const clean = rules.filter(({ found }) => found === 0);
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{`${promotion}: what was found`}</title>
        <style>{LOOKS}</style>
      </head>
      <body>
        <main>
          <h1>{promotion}</h1>
          <p className="about">
            {`Revision ${revision}, looked at on ${at.slice(0, 10)} at ${at.slice(11, 16)} UTC, in ${formats.map(formatTitle).join(", ")}`}
          </p>
          {findings.length === 0 && <h2>Nothing was found</h2>}
          {SEVERITIES.map((severity) => (
            <FoundOfKind key={severity} severity={severity} findings={findings} />
          ))}
          <h2>{`In order: ${clean.length} of ${rules.length} rules`}</h2>
          <table>
            <tbody>
              {clean.map(({ id, about }) => (
                <tr key={id}>
                  <td>{about}</td>
                  <td>in order</td>
                </tr>
              ))}
            </tbody>
          </table>
        </main>
      </body>
    </html>
  );
}

function FoundOfKind({ severity, findings }: { readonly severity: Severity } & Pick<Report, "findings">) {
  const found = findings.filter((one) => one.severity === severity);
  if (found.length === 0) return null;
  const { title, color } = KINDS[severity];
  return (
    <section>
      <h2 style={{ color }}>{`${title}: ${found.length}`}</h2>
      {found.map(({ place, words, about, numbers, cures }, index) => (
        <div className="finding" key={index}>
          <p>{place}</p>
          <p>
            <strong>{capital(words)}</strong> · {about}
          </p>
          {Object.keys(numbers).length > 0 && (
            <p className="numbers">{Object.entries(numbers).map(numberInWords).join(" · ")}</p>
          )}
          {cures.length > 0 && <p className="cures">{`One press on the Proof desk: ${cures.join(", ")}`}</p>}
        </div>
      ))}
    </section>
  );
}
