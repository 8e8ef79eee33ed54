import { Button, Modal } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Sweep } from "../api/client";
import { ofProperty, useChange, useJobs } from "../api/queries";
import { dayAndTime } from "../parts/number";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";
import { SweepReport } from "./SweepReport";

/** The sweeps so far; opened, what each of them saw and left out. */
export function SweepList({ propertyId }: { propertyId: number }) {
  const [open, setOpen] = useState<Sweep>();
  const jobs = useJobs(propertyId);
  const sweeps = useQuery({
    queryKey: ofProperty(propertyId, "sweeps"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/sweeps", { params: { path: { propertyId } } })),
  });
  const goOn = useChange(propertyId, (id: number) =>
    answer(api.POST("/api/sweeps/{id}/resume", { params: { path: { id } } })),
  );
  const takeBack = useChange(propertyId, (id: number) =>
    answer(api.POST("/api/sweeps/{id}/take-back", { params: { path: { id } } })),
  );
  if (!sweeps.data || sweeps.data.length === 0) return null;
  return (
    <div className={stage.block}>
      <div className={css.heading}>
        <h2>Sweeps</h2>
        {sweeps.data.filter((sweep) => sweep.ofItems).length > 1 && (
          <Link to={`/p/${propertyId}/gather/compare`}>Compare</Link>
        )}
      </div>
      <ol className={css.sweeps}>
        {sweeps.data.map((sweep, i) => (
          <li key={sweep.id}>
            <button type="button" className={css.sweep} onClick={() => setOpen(sweep)}>
              <b>{dayAndTime(sweep.started)}</b>
              {sweep.state !== "done" && <span> {sweep.state.replace("-", " ")}</span>}
              <br />
              <span className={stage.soft}>
                {jobs.data?.find((job) => job.id === sweep.jobId)?.note || sweep.source}
              </span>
            </button>
            {i === 0 && sweep.kind === "crawl" && (sweep.state === "stopped" || sweep.state === "failed") && (
              <Button
                size="compact-xs"
                variant="default"
                loading={goOn.isPending}
                onClick={() => goOn.mutate(sweep.id)}
              >
                Resume
              </Button>
            )}
            {i === 0 && sweep.kind === "import" && sweep.state === "done" && (
              <Button
                size="compact-xs"
                variant="default"
                loading={takeBack.isPending}
                onClick={() => takeBack.mutate(sweep.id)}
              >
                Undo import
              </Button>
            )}
          </li>
        ))}
      </ol>
      <Modal
        opened={open !== undefined}
        onClose={() => setOpen(undefined)}
        size={860}
        title={open && `${open.source}, ${dayAndTime(open.started)}`}
      >
        {open && <SweepReport sweep={open} />}
      </Modal>
    </div>
  );
}
