package lucidsweep.server.watch.digest;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import lucidsweep.server.client.Clients;
import lucidsweep.server.gather.schedule.PlannedRuns;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.web.Refusal;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Sends the digests of clients by themselves, every week or month. */
@Service
class DigestSchedules {

    private final DigestScheduleMapper mapper;
    private final PlannedRuns runs;
    private final SentDigests digests;
    private final DigestMail mail;
    private final Clients clients;

    DigestSchedules(DigestScheduleMapper mapper, SentDigests digests, DigestMail mail, Clients clients) {
        this.mapper = mapper;
        runs = new PlannedRuns(mapper, this::send);
        this.digests = digests;
        this.mail = mail;
        this.clients = clients;
    }

    /**
     * When the digest of a client goes to whom.
     *
     * @param problem why it could not be sent the last time, which is tried again every minute; null where it was
     */
    record PlannedDigest(
            String to, Schedule schedule, @Nullable String problem) {}

    /** What is planned for a client; null where nothing is. */
    PlannedDigest of(long clientId) {
        clients.client(clientId);
        DigestScheduleMapper.Recipient recipient = mapper.recipient(clientId);
        return recipient == null
                ? null
                : new PlannedDigest(recipient.recipient(), runs.of(clientId).orElseThrow(), recipient.problem());
    }

    /** @throws Refusal where it could never be sent */
    void set(long clientId, String to, Schedule schedule) {
        clients.client(clientId);
        mail.requireSendable(to);
        mapper.plan(clientId, to, schedule.every().name(), schedule.nextDay().toString());
    }

    void remove(long clientId) {
        runs.remove(clientId);
    }

    @Scheduled(fixedDelayString = "PT1M")
    void runDue() {
        runs.run(LocalDate.now());
    }

    private void send(long clientId) {
        try {
            digests.send(clientId, mapper.recipient(clientId).recipient());
            mapper.setProblem(clientId, null);
        } catch (Refusal e) {
            mapper.setProblem(clientId, e.getMessage());
            throw e;
        }
    }
}
