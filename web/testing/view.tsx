import { MantineProvider } from "@mantine/core";
import { Notifications, notifications } from "@mantine/notifications";
import { MutationCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter, Route, Routes, useLocation } from "react-router";
import type { ItemRow, Standing } from "../src/api/client";
import { tellProblem } from "../src/parts/tell";

/** Where the interface is now, as "path?search". */
export let place = "";

function Place() {
  const { pathname, search } = useLocation();
  place = pathname + search;
  return null;
}

/** Shows a view at an address, as the application would. */
export function show(view: ReactNode, at = "/p/7/gather") {
  notifications.clean();
  const queries = new QueryClient({
    defaultOptions: { queries: { retry: false } },
    mutationCache: new MutationCache({
    onError: (problem, _input, _context, mutation) => mutation.meta?.quiet || tellProblem(problem),
  }),
  });
  return render(
    <MantineProvider env="test" withCssVariables={false} withGlobalClasses={false}>
      <Notifications />
      <QueryClientProvider client={queries}>
        <MemoryRouter initialEntries={[at]}>
          <Place />
          <Routes>
            <Route path="/p/:propertyId/*" element={view} />
            <Route path="*" element={view} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>
    </MantineProvider>,
  );
}

const PROPERTY: Standing["property"] = {
  id: 7,
  clientId: 3,
  kind: "website",
  name: "Tarrin Bay website",
  address: "https://tarrin.example/",
  language: "en",
  privateAllowed: false,
  revision: 4,
} as Standing["property"];

/** A standing of property 7 with some things different. */
export function standing(changes: Partial<Standing> = {}, property: Partial<Standing["property"]> = {}): Standing {
  return {
    property: { ...PROPERTY, ...property },
    clientName: "Tarrin Bay Kayaks",
    items: 120,
    indexable: 100,
    keywords: 40,
    aimed: 35,
    due: 0,
    withFindings: 60,
    stake: { clicks: 0, low: 0, high: 0 },
    drafted: 5,
    sentBack: 1,
    approved: 2,
    delivered: 4,
    live: 3,
    improved: 0,
    draftedFields: ["title"],
    lastSweep: "2026-10-01T08:00:00Z",
    nextSweep: null as never,
    ...changes,
  };
}

const FIT = {
  px: 200,
  chars: 20,
  sizePx: 20,
  phoneSizePx: 18,
  desktopLimit: 580,
  desktopLines: 1,
  phoneLimit: 644,
  fitting: 100,
  desktopFitting: 100,
  phoneFitting: 100,
  says: "",
};
const CELL = { draft: null, state: null, kept: null, fit: FIT, lacks: [] } as unknown as ItemRow["title"];

/** A finding of an item with some things different. */
export function finding(field: string, check: string, changes: Partial<ItemRow["findings"][number]> = {}) {
  const stake = { clicks: 0, low: 0, high: 0 };
  return { field, check, evidence: "", limit: "", fix: "by-hand", marks: [], stake, ...changes } as ItemRow["findings"][number];
}

/** A row of a table of items with some things different. */
export function item(id: number, changes: Partial<ItemRow> = {}): ItemRow {
  return {
    id,
    address: `https://tarrin.example/page-${id}`,
    section: "/",
    status: 200,
    noindexReason: null,
    noindex: null,
    h1: `Page ${id}`,
    h1Count: 1,
    canonical: "",
    robots: "",
    price: "",
    published: "",
    views: null,
    favourites: null,
    depth: 1,
    linksIn: 3,
    title: { ...CELL, captured: `Title of page ${id}` },
    description: { ...CELL, captured: `Description of page ${id}` },
    tags: null,
    heading: { ...CELL, captured: `Page ${id}` },
    slug: { ...CELL, captured: `page-${id}` },
    indexing: { ...CELL, captured: "index" },
    aim: null,
    heldTo: [],
    findings: [],
    ...changes,
  } as ItemRow;
}

/** A cell with a text and some things different. */
export function cell(captured: string, changes: Partial<ItemRow["title"]> = {}): ItemRow["title"] {
  return { ...CELL, captured, ...changes };
}
