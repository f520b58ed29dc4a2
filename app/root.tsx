import { Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import { ProblemPage } from "./components/ProblemPage";
import "./app.css";

export const meta = () => [{ title: "Stencilcraft" }];

export function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en-GB">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

export function ErrorBoundary() {
  return <ProblemPage />;
}
