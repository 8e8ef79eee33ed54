package lucidsweep.server.watch.course;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.release.Handover;
import lucidsweep.server.release.Releases;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** What happened to a property and when: releases, sweeps of its items, and notes of a person's own. */
@Service
public class Marks {

    private final NoteMapper notes;
    private final Releases releases;
    private final SweepStore sweeps;

    Marks(NoteMapper notes, Releases releases, SweepStore sweeps) {
        this.notes = notes;
        this.releases = releases;
        this.sweeps = sweeps;
    }

    /** All of a property, the earliest first. */
    public List<Mark> of(long propertyId) {
        List<Mark> marks = new ArrayList<>();
        for (Handover handover : releases.ofProperty(propertyId)) {
            marks.add(new Mark(handover.day().toString(), "release", handover.id(), handover.title()));
        }
        for (Sweep sweep : sweeps.ofProperty(propertyId)) {
            if (!sweep.ofItems() || sweep.state() != Sweep.State.DONE) continue;
            String what = sweep.kind() == Sweep.Kind.CRAWL ? "Sweep" : "Import of " + sweep.source();
            marks.add(new Mark(day(sweep.started()), "sweep", sweep.id(), what));
        }
        for (NoteMapper.NoteLine note : notes.all(propertyId))
            marks.add(new Mark(note.notedOn().toString(), "note", note.id(), note.text()));
        marks.sort(Comparator.comparing(Mark::day).thenComparing(Mark::kind).thenComparing(Mark::id));
        return marks;
    }

    void note(long propertyId, LocalDate day, String text) {
        notes.add(propertyId, day, text.strip());
    }

    void removeNote(long propertyId, long id) {
        if (notes.remove(propertyId, id) == 0) throw Refusal.notFound("there is no note " + id + " in this property");
    }

    private static String day(Instant moment) {
        return LocalDate.ofInstant(moment, ZoneId.systemDefault()).toString();
    }
}
