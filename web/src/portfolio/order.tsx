import { NativeSelect } from "@mantine/core";
import { useEffect, useMemo, useState } from "react";
import type { Client, Standing } from "../api/client";
import { useToLookAt } from "./Watched";

/** How long the first page waits for what there is to look at, in ms, before it is drawn in another order. */
const PATIENCE_MS = 1_500;

const NONE: Standing[] = [];

/** What stands first on the first page. */
export type Order = "needs" | "stake" | "name";

const LABELS: Record<Order, string> = { needs: "most to look at", stake: "most clicks at stake", name: "name" };

export function OrderChoice({ order, onChange }: { order: Order; onChange: (order: Order) => void }) {
  return (
    <NativeSelect
      size="xs"
      aria-label="Sort by"
      value={order}
      data={Object.entries(LABELS).map(([value, label]) => ({ value, label: `Sort by ${label}` }))}
      onChange={(event) => onChange(event.currentTarget.value as Order)}
    />
  );
}

/**
 * Clients and standings in an order; a client stands where its first property does, one without any comes last. What comes
 * later than a moment does not move rows that are drawn.
 */
export function useOrder(order: Order, clients: Client[], given: Standing[] | undefined) {
  const standings = given ?? NONE;
  const summed = useToLookAt(standings.map(({ property }) => property.id));
  const found = standings.length === 0 ? undefined : summed;
  const [waited, setWaited] = useState(false);
  useEffect(() => {
    const late = setTimeout(() => setWaited(true), PATIENCE_MS);
    return () => clearTimeout(late);
  }, []);
  const [drawn, setDrawn] = useState<{ order: Order; needs: typeof found }>({ order, needs: undefined });
  if (order !== drawn.order || (!waited && !drawn.needs && found)) setDrawn({ order, needs: found });
  const { needs } = drawn;
  const sorted = useMemo(() => {
    const weight = ({ property, stake }: Standing) =>
      order === "needs" ? (needs?.get(property.id) ?? 0) : order === "stake" ? stake.clicks : 0;
    const inOrder = [...standings].sort(
      (a, b) =>
        weight(b) - weight(a) ||
        (order === "name" ? 0 : b.stake.clicks - a.stake.clicks) ||
        a.property.name.localeCompare(b.property.name),
    );
    const place = (client: Client) => {
      const first = inOrder.findIndex(({ property }) => property.clientId === client.id);
      return first < 0 ? inOrder.length : first;
    };
    return {
      standings: inOrder,
      clients: [...clients].sort((a, b) => (order === "name" ? a.name.localeCompare(b.name) : place(a) - place(b))),
    };
  }, [order, clients, standings, needs]);
  const ready = given && (order !== "needs" || needs !== undefined || given.length === 0);
  return { ...sorted, ready: waited || ready };
}
