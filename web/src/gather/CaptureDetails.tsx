import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { answer, api, type CaptureView, type ItemRow } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import closeUp from "../parts/CloseUp.module.css";
import { FileLink } from "../parts/FileLink";
import { count, pathOf } from "../parts/number";
import css from "./Gather.module.css";

const SHOWN = 40;
const PLACES = { NAVIGATION: "navigation", COPY: "copy", FOOTER: "footer" };

/** All that the last sweep saw of an item, and a way to sweep it again. */
export function CaptureDetails({ propertyId, item }: { propertyId: number; item: ItemRow }) {
  const [open, setOpen] = useState(false);
  const captured = useQuery({
    queryKey: ofProperty(propertyId, "captured", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/captured", { params: { path: { id: item.id } } })),
    enabled: open,
  });
  const sweep = useChange(propertyId, () =>
    answer(api.POST("/api/items/{id}/sweep", { params: { path: { id: item.id } } })),
  );
  const isPage = item.address.includes("://") && item.tags === null;
  return (
    <section>
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className={css.captured}>All that was captured</summary>
        {captured.data &&
          (captured.data.page ? <OfPage item={item} view={captured.data} /> : <OfRow view={captured.data} />)}
      </details>
      {isPage && (
        <Button size="xs" variant="default" loading={sweep.isPending} onClick={() => sweep.mutate(undefined)}>
          Sweep this page again
        </Button>
      )}
    </section>
  );
}

function OfRow({ view }: { view: CaptureView }) {
  return (
    <dl className={css.facts}>
      {view.cells.map((cell) => (
        <Fact key={cell.column} name={cell.column}>
          {cell.cell}
        </Fact>
      ))}
    </dl>
  );
}

function OfPage({ item, view }: { item: ItemRow; view: CaptureView }) {
  const page = view.page as NonNullable<CaptureView["page"]>;
  const built = page.structured;
  return (
    <dl className={css.facts}>
      <Fact name="Also at">{list(view.alsoAt.map(pathOf))}</Fact>
      <Fact name="Changed by scripts">
        {list(page.scripts?.map((each) => `${each.field}: ${each.delivered || "none"} → ${each.built || "none"}`))}
      </Fact>
      <Fact name="Titles">{page.titles.length > 1 && list(page.titles)}</Fact>
      <Fact name="Descriptions">{page.descriptions.length > 1 && list(page.descriptions)}</Fact>
      <Fact name="H1">{list(page.h1s)}</Fact>
      <Fact name="Headings">{list(page.headings)}</Fact>
      <Fact name="Canonical">{page.canonical}</Fact>
      <Fact name="Robots">{page.robots}</Fact>
      <Fact name="Meta keywords">{page.metaKeywords}</Fact>
      <Fact name="Published">{page.published || built.published}</Fact>
      <Fact name="Last changed">{page.modified}</Fact>
      <Fact name="Open Graph">{list([page.shared.title, page.shared.description])}</Fact>
      <Fact name="Structured data">
        {list([built.name, built.description, built.rating && `rated ${built.rating}`])}
      </Fact>
      <Fact name="Other languages">{list(page.alternates.map((each) => `${each.language}: ${each.address}`))}</Fact>
      <Fact name="Images">
        {list(
          page.images.map(
            (image) => `${image.address}: ${image.alt === null ? "no alt text" : image.alt || "empty alt text"}`,
          ),
        )}
      </Fact>
      <Fact name={`${count(view.linkCount)} links on it`}>
        {list(
          view.links.map(
            (link) =>
              `${pathOf(link.address)}: ${link.text || "no text"} (${PLACES[link.place]}${link.nofollow ? ", nofollow" : ""})`,
          ),
        )}
      </Fact>
      <Fact name="Markup">
        {view.hasSource && <FileLink href={`/api/items/${item.id}/source`} label="as it came" />}
      </Fact>
    </dl>
  );
}

/** A fact with its name; nothing where there is nothing to say. */
function Fact({ name, children }: { name: string; children: ReactNode }) {
  if (!children) return null;
  return (
    <>
      <dt className={closeUp.soft}>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function list(texts: (string | null)[] | undefined): ReactNode {
  const said = texts?.filter((text) => text !== null && text !== "") ?? [];
  if (said.length === 0) return null;
  return (
    <ul>
      {said.slice(0, SHOWN).map((text, i) => (
        <li key={i}>{text}</li>
      ))}
      {said.length > SHOWN && <li>and {count(said.length - SHOWN)} more</li>}
    </ul>
  );
}
