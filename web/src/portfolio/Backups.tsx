import { Button } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type Copies, type Job, upload } from "../api/client";
import { jobsOf, useJobs } from "../api/queries";
import { renew } from "../api/renew";
import { ChooseFile } from "../parts/ChooseFile";
import { day } from "../parts/number";
import css from "./Portfolio.module.css";

const ZIP = ".zip,application/zip";

/** Copies of everything: one now, those of the last days, one that is put back, and one whose clients are added. */
export function Backups() {
  const queries = useQueryClient();
  const copies = useQuery({ queryKey: ["backups"], queryFn: () => answer(api.GET("/api/backups")) });
  const show = (next: Copies) => queries.setQueryData(["backups"], next);
  const restore = useMutation({
    mutationFn: (file: File) => upload<Copies>("/api/backups/restore", file),
    meta: { quiet: true },
    onSuccess: show,
  });
  const add = useMutation({
    mutationFn: (file: File) => upload<Job>("/api/backups/add", file),
    meta: { quiet: true },
    onSuccess: () => renew(queries, jobsOf()),
  });
  const adding = useJobs().data?.find((job) => job.id === add.data?.id);
  const leave = useMutation({
    mutationFn: () => answer(api.DELETE("/api/backups/restore")),
    meta: { quiet: true },
    onSuccess: show,
  });
  /** What went wrong before is not said beside what is done now. */
  const afresh = (next: (file: File) => void) => (file: File) => {
    restore.reset();
    add.reset();
    next(file);
  };
  const problem = copies.error ?? restore.error ?? add.error ?? leave.error;
  return (
    <section className={css.removed}>
      <h2>Backups</h2>
      <p className={css.empty}>
        A copy of everything is made every day and kept for a week.
        {copies.data?.days.length === 0 && " The first one follows within the hour."}
      </p>
      <ul>
        {copies.data?.days.map((date) => (
          <li key={date}>
            <a href={`/api/backups/${date}.zip`}>{day(date)}</a>
          </li>
        ))}
      </ul>
      {copies.data?.restoreWaiting && (
        <p role="status" className={css.waiting}>
          A backup is put back when Lucid Sweep starts the next time. What is there now is kept beside it.{" "}
          <button type="button" className={css.quiet} onClick={() => leave.mutate()}>
            Do not put it back
          </button>
        </p>
      )}
      {problem && <p role="alert">{problem.message}</p>}
      {adding && adding.state !== "running" && (
        <p role={adding.state === "failed" ? "alert" : "status"}>{adding.note}</p>
      )}
      <div className={css.buttons}>
        <Button component="a" href="/api/backup.zip" variant="default">
          Back up everything
        </Button>
        <ChooseFile accept={ZIP} label="Restore a backup" loading={restore.isPending} onFile={afresh(restore.mutate)} />
        <ChooseFile
          accept={ZIP}
          label="Add the clients of a backup"
          loading={add.isPending || adding?.state === "running"}
          onFile={afresh(add.mutate)}
        />
      </div>
    </section>
  );
}
