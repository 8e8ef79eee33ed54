import stage from "../parts/stage.module.css";

/** What will stand here. */
export function Watch() {
  return (
    <div className={stage.stage}>
      <div className={stage.head}>
        <h1>Nothing to watch yet</h1>
      </div>
      <p className={stage.soft} style={{ maxWidth: "62ch", padding: "0 20px", fontSize: 15, lineHeight: "22px" }}>
        Positions and clicks of what you rewrote, before and after, against pages left alone, will be shown here. The
        demand for it is gathered under Aim; this version does not yet work with it here. What was delivered, and when,
        is recorded under Release and will be the starting point.
      </p>
    </div>
  );
}
