import "@fontsource-variable/bricolage-grotesque";
import { says } from "./words/shell";
import "@fontsource-variable/instrument-sans";
import "@fontsource-variable/spline-sans-mono";
import "./index.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, isRouteErrorResponse, Link, Navigate, RouterProvider, useRouteError } from "react-router";
import { Frame, VariantRoute } from "./shell/Frame";
import { PAGES } from "./shell/pages";
import { PersonProvider } from "./shell/person";

function Broken() {
  const error = useRouteError();
  const text = isRouteErrorResponse(error)
    ? says("there-no-such-page")
    : says("something-bothy-broke-nothing", { message: (error as Error)?.message ?? error });
  return (
    <main className="p-6" role="alert">
      <h1 className="font-display text-xl">{says("page-not-found")}</h1>
      <p>{text}</p>
      <p>
        <button type="button" className="btn mr-3" onClick={() => location.reload()}>
          {says("load-again")}
        </button>
        <Link className="text-loch underline" to="/">
          {says("back-projects")}
        </Link>
      </p>
    </main>
  );
}

const waiting = (
  <p className="p-6" role="status">
    {says("opening-bothy")}
  </p>
);

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    hydrateFallbackElement: waiting,
    children: [
      { path: "/", lazy: () => import("./projects/Projects") },
      { path: "/compare", lazy: () => import("./projects/Compare") },
      { path: "/sums", lazy: () => import("./sums/Sums") },
      { path: "/method", lazy: () => import("./method/Method") },
      { path: "/method/:field", lazy: () => import("./method/Method") },
      { path: "/sums/:name", lazy: () => import("./sums/Sums") },
      {
        path: "/v/:variantId",
        element: <VariantRoute />,
        children: [
          {
            element: <Frame />,
            children: [
              { index: true, element: <Navigate to="vehicle" replace /> },
              ...Object.entries(PAGES).map(([path, lazy]) => ({ path, lazy })),
              { path: ":stage", lazy: () => import("./stages/later/Later") },
            ],
          },
          { path: "print/:what", lazy: () => import("./print/Print") },
        ],
      },
      { path: "*", element: <Navigate to="/" replace /> },
    ],
  },
]);

const queries = new QueryClient({ defaultOptions: { queries: { staleTime: 60_000, retry: 1 } } });

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <PersonProvider>
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </PersonProvider>
  </StrictMode>,
);
