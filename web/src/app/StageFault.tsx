import { Button } from "@mantine/core";
import { Link, useRouteError } from "react-router";
import css from "./Frame.module.css";

/** What stands in the place of a stage that cannot be drawn; the others go on. */
export function StageFault() {
  const fault = useRouteError();
  return (
    <div className={css.problem} role="alert">
      <h1>This view has a fault</h1>
      <p>{fault instanceof Error ? fault.message : String(fault)}</p>
      <p>Nothing that was saved is lost.</p>
      <Button onClick={() => window.location.reload()}>Try again</Button>{" "}
      <Link to="/">To all clients and properties</Link>
    </div>
  );
}
