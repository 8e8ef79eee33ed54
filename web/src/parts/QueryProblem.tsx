import { Button } from "@mantine/core";
import type { UseQueryResult } from "@tanstack/react-query";

interface Props {
  query: Pick<UseQueryResult, "error" | "refetch" | "isFetching">;
  className?: string;
}

/** Stands in the place of an answer that did not come: why, and the way to ask again. */
export function QueryProblem({ query, className }: Props) {
  return (
    <div role="alert" className={className}>
      <p>{query.error?.message}</p>
      <Button size="xs" variant="default" loading={query.isFetching} onClick={() => query.refetch()}>
        Try again
      </Button>
    </div>
  );
}
