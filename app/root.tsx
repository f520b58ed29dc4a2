import { useContext } from "react";
import { Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import { answered } from "../server/doors/answered";
import type { Route } from "./+types/root";
import { Nonce } from "./nonce";
import { ProblemPage } from "./components/ProblemPage";
import "./app.css";

export const meta = () => [{ title: "Stencilcraft" }];

export const middleware: Route.MiddlewareFunction[] = [({ request }, next) => answered(request, next)];

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(Nonce);
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
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
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
