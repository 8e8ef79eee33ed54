import { useDebouncedValue } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { answer, api, type EditSpec, type Figures, type Selection } from "../api/client";

/** What an edit would do: asked as it is put together, followed until all figures are there. */
export function usePreview(propertyId: number, selection: Selection, spec: EditSpec | undefined) {
  const [found, setFound] = useState<{ of: string; figures: Figures }>();
  const [problem, setProblem] = useState<string>();
  const wanted = spec ? JSON.stringify({ selection, spec }) : "";
  const [asked] = useDebouncedValue(wanted, 200);
  useEffect(() => {
    setProblem(undefined);
    if (!asked) {
      setFound(undefined);
      return;
    }
    const abort = new AbortController();
    const { signal } = abort;
    let underWay: string | undefined;
    const follow = async () => {
      let figures = await answer(
        api.POST("/api/properties/{propertyId}/previews", {
          params: { path: { propertyId } },
          body: JSON.parse(asked),
          signal,
        }),
      );
      setFound({ of: asked, figures });
      underWay = figures.complete ? undefined : figures.token;
      while (!figures.complete && !signal.aborted) {
        figures = await answer(
          api.GET("/api/previews/{token}", { params: { path: { token: figures.token } }, signal }),
        );
        setFound({ of: asked, figures });
        if (figures.complete) underWay = undefined;
      }
      if (figures.problem) setProblem(figures.problem);
    };
    follow().catch((error: Error) => {
      if (signal.aborted) return;
      setFound(undefined);
      setProblem(error.message);
    });
    return () => {
      abort.abort();
      // What nobody waits for any more is not worked out.
      if (underWay) api.DELETE("/api/previews/{token}", { params: { path: { token: underWay } } });
    };
  }, [asked, propertyId]);
  return {
    figures: found?.figures,
    problem,
    /** Whether the figures are of the edit as it stands now, not of the one a moment ago. */
    current: found?.of === wanted,
  };
}
