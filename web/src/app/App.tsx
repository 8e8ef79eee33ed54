import { MantineProvider } from "@mantine/core";
import { Notifications } from "@mantine/notifications";
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { Aim } from "../aim/Aim";
import { Compare } from "../gather/Compare";
import { Gather } from "../gather/Gather";
import { tellProblem } from "../parts/tell";
import { Portfolio } from "../portfolio/Portfolio";
import { Release } from "../release/Release";
import { Rewrite } from "../rewrite/Rewrite";
import { Triage } from "../triage/Triage";
import { Watch } from "../watch/Watch";
import { Frame } from "./Frame";
import { StageFault } from "./StageFault";
import { theme } from "./theme";

const queries = new QueryClient({
  // What a view shows itself is not said twice.
  queryCache: new QueryCache({ onError: (problem, query) => query.meta?.shown || tellProblem(problem) }),
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, staleTime: 5_000 } },
  mutationCache: new MutationCache({
    onError: (problem, _input, _context, mutation) => mutation.meta?.quiet || tellProblem(problem),
  }),
});

const router = createBrowserRouter([
  {
    element: <Frame />,
    children: [
      { path: "/", element: <Portfolio />, errorElement: <StageFault /> },
      { path: "/p/:propertyId", element: <Navigate to="gather" replace /> },
      { path: "/p/:propertyId/gather", element: <Gather />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/gather/compare", element: <Compare />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/aim", element: <Aim />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/triage", element: <Triage />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/rewrite", element: <Rewrite />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/release", element: <Release />, errorElement: <StageFault /> },
      { path: "/p/:propertyId/watch", element: <Watch />, errorElement: <StageFault /> },
      { path: "*", element: <Navigate to="/" replace /> },
    ],
  },
]);

export function App() {
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto">
      <Notifications
        position="bottom-left"
        styles={{ root: { marginBottom: "calc(var(--strip) + var(--selection))" } }}
      />
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>
  );
}
