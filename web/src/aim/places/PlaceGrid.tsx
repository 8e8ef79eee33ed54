import { Button, Textarea } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type GridCell } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { TableLinks } from "../../parts/FileLink";
import { count, of, pathOf } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import { SidePanel } from "../../parts/SidePanel";
import { searchOf } from "../../parts/searchOf";
import { tell } from "../../parts/tell";
import aim from "../Aim.module.css";
import css from "./PlaceGrid.module.css";

/** Every service with every place: what is searched, and which combination has a page. */
export function PlaceGrid({ propertyId }: { propertyId: number }) {
  const grid = useQuery({
    queryKey: ofProperty(propertyId, "places"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/places", { params: { path: { propertyId } } })),
  });
  const [at, setAt] = useState<string>();
  const [choosing, setChoosing] = useState(false);
  if (grid.error) return <QueryProblem query={grid} className={aim.line} />;
  const data = grid.data;
  const cells = data?.cells ?? [];
  const without = cells.filter((cell) => cell.itemId === null);
  const open = cells.find((cell) => cell.phrase === at);
  return (
    <>
      <div className={aim.line}>
        <h2>{data ? of(cells.length, "combination") : "Combinations"}</h2>
        {cells.length > 0 && (
          <span className={aim.soft}>{count(without.length)} of them have no page. Numbers are search volumes.</span>
        )}
        <Button size="xs" variant="default" ml="auto" onClick={() => setChoosing(!choosing)}>
          Choose the services
        </Button>
        <AddUnlisted propertyId={propertyId} cells={cells} />
        <TableLinks csv={`/api/properties/${propertyId}/places.csv`} />
      </div>
      {choosing && data && (
        <ServiceForm propertyId={propertyId} services={data.services} onDone={() => setChoosing(false)} />
      )}
      <div className={css.split}>
        <section className={css.scroll} aria-label="Places and services" tabIndex={0}>
          {grid.isPending && <div className={aim.skeleton} aria-busy />}
          {data && data.places.length === 0 && (
            <p className={aim.soft}>
              The client has no places yet. Name them where the client is changed, and every service stands here with
              every place.
            </p>
          )}
          {data && data.places.length > 0 && data.services.length === 0 && (
            <p className={aim.soft}>
              No keyword names a service with two of the places. Choose the services, or add keywords that do.
            </p>
          )}
          {cells.length > 0 && data && (
            <table className={css.grid}>
              <thead>
                <tr>
                  <td />
                  {data.services.map((service) => (
                    <th key={service} scope="col">
                      {service}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {data.places.map((place, p) => (
                  <tr key={place}>
                    <th scope="row">{place}</th>
                    {data.services.map((service, s) => {
                      const cell = cells[s * data.places.length + p];
                      return (
                        <td key={service}>
                          <button
                            type="button"
                            className={cell.itemId === null ? css.without : cell.aimed ? css.aimed : css.holds}
                            aria-pressed={cell.phrase === at}
                            aria-label={`${cell.phrase}: ${said(cell)}`}
                            onClick={() => setAt(cell.phrase === at ? undefined : cell.phrase)}
                          >
                            {cell.volume === null ? "·" : count(cell.volume)}
                          </button>
                        </td>
                      );
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {cells.length > 0 && (
            <p className={css.legend}>
              {LEGEND.map(([style, number, words]) => (
                <span key={words} className={css.pair}>
                  <b className={css[style]}>{number}</b> {words}
                </span>
              ))}
            </p>
          )}
        </section>
        {open && <CellPanel propertyId={propertyId} cell={open} onClose={() => setAt(undefined)} />}
      </div>
    </>
  );
}

const LEGEND = [
  ["aimed", "90", "a page has it as its keyword"],
  ["holds", "90", "a page contains its words but has another keyword"],
  ["without", "90", "no page"],
  ["without", "·", "search volume not known"],
] as const;

const said = (cell: GridCell) =>
  `${cell.volume === null ? "search volume not known" : `${count(cell.volume)} searches a month`}, ${
    cell.address === null ? "no page" : pathOf(cell.address)
  }`;

function CellPanel({ propertyId, cell, onClose }: { propertyId: number; cell: GridCell; onClose: () => void }) {
  return (
    <SidePanel label={cell.phrase} title={cell.phrase} width={320} onClose={onClose}>
      <p>
        {cell.keywords === 0
          ? "It is on no keyword list."
          : `${of(cell.keywords, "keyword")} of the list ${cell.keywords === 1 ? "is" : "are"} this combination, ${
              cell.volume === null
                ? "with searches that are not known."
                : `with ${count(cell.volume)} searches a month together.`
            }`}{" "}
        {cell.keywords > 0 && (
          <Link to={`/p/${propertyId}/aim?${searchOf({ q: cell.phrase })}`}>See it in the table</Link>
        )}
      </p>
      <p>
        {cell.address === null ? (
          <>
            No page contains its words in its title or H1.{" "}
            {cell.keywords > 0 && <Link to={`/p/${propertyId}/aim?side=pages`}>See the page that could be added</Link>}
          </>
        ) : (
          <>
            <Link to={`/p/${propertyId}/rewrite?${searchOf({ q: cell.address })}`}>{pathOf(cell.address)}</Link>{" "}
            {cell.aimed ? "has it as its keyword." : "contains its words, but has another keyword or none."}
          </>
        )}
      </p>
    </SidePanel>
  );
}

/** Puts the combinations that are on no list on the keyword list, so that their searches can be filled in. */
function AddUnlisted({ propertyId, cells }: { propertyId: number; cells: GridCell[] }) {
  const unlisted = cells.filter((cell) => cell.keywords === 0);
  const add = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/keywords", {
        params: { path: { propertyId } },
        body: { text: `keyword\n${unlisted.map((cell) => cell.phrase).join("\n")}` },
      }),
    ),
  );
  if (unlisted.length === 0) return null;
  return (
    <Button
      size="xs"
      variant="default"
      loading={add.isPending}
      onClick={() =>
        add.mutate(undefined, {
          onSuccess: (added) => tell(`${of(added.added, "keyword")} added.`),
        })
      }
    >
      Add {of(unlisted.length, "keyword")}
    </Button>
  );
}

function ServiceForm({ propertyId, services, onDone }: { propertyId: number; services: string[]; onDone: () => void }) {
  const [text, setText] = useState(services.join("\n"));
  const choose = useChange(propertyId, (chosen: string[]) =>
    answer(
      api.PUT("/api/properties/{propertyId}/places/services", {
        params: { path: { propertyId } },
        body: { services: chosen },
      }),
    ),
  );
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        choose.mutate(text.split("\n"), { onSuccess: onDone });
      }}
    >
      <Textarea
        label="Services, one a line, as people search for them"
        autosize
        minRows={3}
        maxRows={10}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <div className={aim.buttons}>
        <Button type="submit" size="xs" loading={choose.isPending}>
          Show these
        </Button>
        <Button size="xs" variant="default" onClick={() => choose.mutate([], { onSuccess: onDone })}>
          What the keywords speak of
        </Button>
      </div>
    </form>
  );
}
