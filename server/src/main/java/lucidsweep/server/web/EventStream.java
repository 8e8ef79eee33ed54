package lucidsweep.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells open pages what happens, by server-sent events, with a heartbeat every ten seconds. */
@Hidden
@RestController
public class EventStream {

    private final Set<SseEmitter> listeners = ConcurrentHashMap.newKeySet();

    @GetMapping(path = "/api/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen() {
        SseEmitter listener = new SseEmitter(0L);
        listener.onCompletion(() -> listeners.remove(listener));
        listener.onError(e -> listeners.remove(listener));
        listeners.add(listener);
        send(listener, "heartbeat", "now");
        return listener;
    }

    /** Sends an event to every open page. */
    public void tell(String name, Object data) {
        for (SseEmitter listener : listeners) send(listener, name, data);
    }

    @Scheduled(fixedRate = 10_000)
    void beat() {
        tell("heartbeat", "now");
    }

    /** Ends all streams with the application: it waits for the requests that it is answering. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        listeners.forEach(SseEmitter::complete);
    }

    private void send(SseEmitter listener, String name, Object data) {
        try {
            listener.send(SseEmitter.event().name(name).data(data));
        } catch (IOException | IllegalStateException goneAway) {
            listeners.remove(listener);
        }
    }
}
