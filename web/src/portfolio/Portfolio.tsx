import { Button, Modal } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Client, type Property, type Removed, type Standing } from "../api/client";
import { useClients, useJobs, usePortfolio } from "../api/queries";
import { Breakable } from "../parts/Breakable";
import { atStake, count, day, of } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { Backups } from "./Backups";
import { ClientForm } from "./ClientForm";
import { FirstSweep } from "./FirstSweep";
import { type Order, OrderChoice, useOrder } from "./order";
import css from "./Portfolio.module.css";
import { PropertyForm } from "./PropertyForm";
import { SendDigest } from "./SendDigest";
import { useClientChange } from "./useClientChange";
import { ToLookAt, WatchedCells } from "./Watched";

type Open = { client?: Client } | { property?: Property; clientId: number } | undefined;

const NO_CLIENTS: Client[] = [];

/** All clients and their properties, with where each stage stands. */
export function Portfolio() {
  const clients = useClients();
  const portfolio = usePortfolio();
  const [open, setOpen] = useState<Open>();
  const [mailing, setMailing] = useState<Client>();
  const [order, setOrder] = useState<Order>("needs");
  const standings = portfolio.data ?? [];
  const sorted = useOrder(order, clients.data ?? NO_CLIENTS, portfolio.data);
  const close = () => setOpen(undefined);
  if (clients.error) return <QueryProblem query={clients} className={css.page} />;
  return (
    <div className={css.page}>
      <header className={css.head}>
        <h1>Clients and properties</h1>
        {standings.length > 1 && <OrderChoice order={order} onChange={setOrder} />}
        <Button onClick={() => setOpen({})}>Add a client</Button>
      </header>
      {clients.data?.length === 0 && <FirstSweep onClient={() => setOpen({})} />}
      <DueList standings={portfolio.data?.filter((standing) => standing.due > 0)} />
      {!sorted.ready && <div aria-busy />}
      {(sorted.ready ? sorted.clients : []).map((client) => (
        <section key={client.id} className={css.client}>
          <header>
            <h2>{client.name}</h2>
            <button type="button" className={css.quiet} onClick={() => setOpen({ client })}>
              Change
            </button>
            <button type="button" className={css.quiet} onClick={() => setOpen({ clientId: client.id })}>
              Add a property
            </button>
            <a className={css.quiet} href={`/api/clients/${client.id}/digest.html`} target="_blank" rel="noreferrer">
              The week
            </a>
            <button type="button" className={css.quiet} onClick={() => setMailing(client)}>
              Send the week
            </button>
            <a className={css.quiet} href={`/api/clients/${client.id}/backup.zip`}>
              Back up
            </a>
          </header>
          <PropertyTable
            mostAtStake={Math.max(0, ...standings.map((s) => s.stake.clicks))}
            standings={portfolio.data && sorted.standings.filter((s) => s.property.clientId === client.id)}
            onChange={(property) => setOpen({ property, clientId: client.id })}
          />
        </section>
      ))}
      <RemovedList />
      {clients.data && clients.data.length > 0 && <Backups />}
      {mailing && <SendDigest client={mailing} onClose={() => setMailing(undefined)} />}
      {open && "clientId" in open && <PropertyForm clientId={open.clientId} property={open.property} onClose={close} />}
      {open && !("clientId" in open) && <ClientForm client={open.client} onClose={close} />}
    </div>
  );
}

/** What the month has come for. */
function DueList({ standings }: { standings?: Standing[] }) {
  if (!standings || standings.length === 0) return null;
  return (
    <section className={css.due}>
      <h2>To look at again now</h2>
      <ul>
        {standings.map(({ property, clientName, due }) => (
          <li key={property.id}>
            <Link to={`/p/${property.id}/aim?side=reviews`}>{of(due, "phrase")}</Link> of {clientName}, {property.name}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface TableProps {
  standings?: Standing[];
  /** The scale of the bars, the same for all clients. */
  mostAtStake: number;
  onChange: (property: Property) => void;
}

function PropertyTable({ standings, mostAtStake, onChange }: TableProps) {
  if (standings?.length === 0)
    return <p className={css.empty}>No property yet: a website or the listings of a shop.</p>;
  return (
    <table className={css.table}>
      <thead>
        <tr>
          <th>Property</th>
          <th>Last sweep</th>
          <th>Clicks, 16 months</th>
          <th>vs last year</th>
          <th>Items</th>
          <th>With a keyword</th>
          <th>With findings</th>
          <th>Clicks at stake</th>
          <th>Drafted</th>
          <th>Approved</th>
          <th>Delivered</th>
          <th>Seen live</th>
          <th>To look at</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {standings?.map(({ property, ...s }) => (
          <tr key={property.id}>
            <td>
              <Link to={`/p/${property.id}/${s.items > 0 ? "triage" : "gather"}`}>{property.name}</Link>
              <span className={css.kind}>
                <Breakable path={property.address || property.kind} />
              </span>
            </td>
            <td title={s.nextSweep ? `Next on ${day(s.nextSweep)}` : "The next one is not planned"}>
              {s.lastSweep ? day(s.lastSweep) : "never"}
            </td>
            <WatchedCells propertyId={property.id} />
            {[s.items, s.aimed, s.withFindings].map((n, i) => (
              <td key={i}>{count(n)}</td>
            ))}
            <td className={css.stake} title={s.stake.high > 0 ? atStake(s.stake) : "No demand by item and query"}>
              {s.stake.high > 0 ? count(Math.round(s.stake.clicks)) : "–"}
              <span className={css.bar} style={{ width: `${(s.stake.clicks / Math.max(1, mostAtStake)) * 100}%` }} />
            </td>
            {[s.drafted + s.sentBack, s.approved, s.delivered, s.live].map((n, i) => (
              <td key={i}>{count(n)}</td>
            ))}
            <td>
              <ToLookAt propertyId={property.id} />
            </td>
            <td>
              <button type="button" className={css.quiet} onClick={() => onChange(property)}>
                Change
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function RemovedList() {
  const removed = useQuery({ queryKey: ["removed"], queryFn: () => answer(api.GET("/api/removed")) });
  const restore = useClientChange(({ kind, id }: Removed) =>
    kind === "client"
      ? answer(api.POST("/api/clients/{id}/restore", { params: { path: { id } } }))
      : answer(api.POST("/api/properties/{id}/restore", { params: { path: { id } } })),
  );
  const [doomed, setDoomed] = useState<Removed>();
  const removeForGood = useClientChange(
    ({ kind, id }: Removed) =>
      kind === "client"
        ? answer(api.DELETE("/api/removed/client/{id}", { params: { path: { id } } }))
        : answer(api.DELETE("/api/removed/property/{id}", { params: { path: { id } } })),
    () => setDoomed(undefined),
  );
  const removal = useJobs().data?.find((job) => job.id === removeForGood.data?.id);
  const ended = removal && removal.state !== "running";
  if (!removed.data || (removed.data.length === 0 && !ended)) return null;
  return (
    <section className={css.removed}>
      <h3>Removed</h3>
      {ended && <p role={removal.state === "failed" ? "alert" : "status"}>{removal.note}</p>}
      <ul>
        {removed.data.map((thing) => (
          <li key={`${thing.kind} ${thing.id}`}>
            {thing.name} <span className={css.kind}>{`${thing.kind}, removed ${day(thing.removed)}`}</span>
            <button type="button" className={css.quiet} onClick={() => restore.mutate(thing)}>
              Bring back
            </button>
            <button type="button" className={css.quiet} onClick={() => setDoomed(thing)}>
              Remove for good
            </button>
          </li>
        ))}
      </ul>
      {doomed && (
        <Modal opened onClose={() => setDoomed(undefined)} title={`Remove ${doomed.name} for good`}>
          <p>
            All its texts, drafts, files and logins are deleted. This cannot be undone; the daily backups of the last
            week still have them.
          </p>
          <div className={css.buttons}>
            <Button loading={removeForGood.isPending} onClick={() => removeForGood.mutate(doomed)}>
              Remove for good
            </Button>
            <Button variant="default" onClick={() => setDoomed(undefined)}>
              Cancel
            </Button>
          </div>
        </Modal>
      )}
    </section>
  );
}
