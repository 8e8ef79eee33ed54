import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { Job } from "./client";
import { jobsOf, ofProperty } from "./queries";
import { renew } from "./renew";

const SILENCE_MS = 30_000;
const RETRY_MS = 2_000;

/** Listens to what happens on the server and keeps what is shown up to date; closed while nobody looks. */
export function useServerEvents() {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | undefined;
    let heard = Date.now();
    let retry: ReturnType<typeof setTimeout> | undefined;

    const close = () => {
      source?.close();
      source = undefined;
    };
    const open = () => {
      if (source || document.hidden) return;
      source = new EventSource("/api/events");
      heard = Date.now();
      // Nobody told of what changed while this was closed. What is on its way was asked for just now.
      source.onopen = () => queries.invalidateQueries();
      source.onerror = () => {
        close();
        clearTimeout(retry);
        retry = setTimeout(open, RETRY_MS);
      };
      source.addEventListener("heartbeat", () => {
        heard = Date.now();
      });
      source.addEventListener("job", (event) => {
        heard = Date.now();
        const job = JSON.parse(event.data) as Job;
        queries.setQueryData<Job[]>(jobsOf(job.propertyId), (jobs) =>
          jobs ? [job, ...jobs.filter((other) => other.id !== job.id)].sort((a, b) => b.id - a.id) : jobs,
        );
        // What belongs to no property may have changed any of them.
        if (job.state !== "running") renew(queries, job.propertyId ? ofProperty(job.propertyId) : undefined);
      });
      source.addEventListener("changed", (event) => {
        heard = Date.now();
        const { propertyId } = JSON.parse(event.data) as { propertyId: number };
        renew(queries, ofProperty(propertyId));
        renew(queries, ["portfolio"]);
      });
    };
    const watchdog = setInterval(() => {
      if (source && Date.now() - heard > SILENCE_MS) {
        close();
        open();
      }
    }, 5_000);
    const seen = () => (document.hidden ? close() : open());
    document.addEventListener("visibilitychange", seen);
    open();
    return () => {
      clearInterval(watchdog);
      clearTimeout(retry);
      document.removeEventListener("visibilitychange", seen);
      close();
    };
  }, [queries]);
}
