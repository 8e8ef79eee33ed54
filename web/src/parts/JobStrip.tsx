import { Button } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api, type Job } from "../api/client";
import { jobsOf, useJobs } from "../api/queries";
import { renew } from "../api/renew";
import css from "./JobStrip.module.css";
import { count, duration } from "./number";

/** What cannot be ended half way. */
const UNSTOPPABLE = ["aim", "removal"];

/** Long work under way: how far, how fast, how much longer; and a way to stop it. */
export function JobStrip({ propertyId }: { propertyId?: number }) {
  const jobs = useJobs(propertyId);
  const running = jobs.data?.filter((job) => job.state === "running") ?? [];
  return running.map((job) => <Strip key={job.id} job={job} />);
}

function Strip({ job }: { job: Job }) {
  const queries = useQueryClient();
  const stop = useMutation({
    mutationFn: () => answer(api.POST("/api/jobs/{id}/stop", { params: { path: { id: job.id } } })),
    onSuccess: () => renew(queries, jobsOf(job.propertyId)),
  });
  const share = job.total > 0 ? Math.min(1, job.done / job.total) : 0;
  return (
    <div className={css.strip} data-bar="strip" role="status">
      <strong>{job.title}</strong>
      {job.total === 0 && job.done === 0 ? (
        <span>This takes a while on many items.</span>
      ) : (
        <span>
          {count(job.done)} done
          {job.total > job.done && <>, {count(job.total - job.done)} waiting</>}, {count(Math.round(job.perSecond))} a
          second
          {job.secondsLeft !== null && <>, about {duration(job.secondsLeft)} left</>}
        </span>
      )}
      {!UNSTOPPABLE.includes(job.kind) && (
        <Button size="compact-xs" variant="default" loading={stop.isPending} onClick={() => stop.mutate()}>
          Stop
        </Button>
      )}
      <span className={css.line} aria-hidden="true">
        <span style={{ width: `${share * 100}%` }} />
      </span>
    </div>
  );
}
