package humble.desktop.session;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.store.Journal;
import humble.store.NotWritten;
import java.util.List;

/** The journal as one build sees it: an act is on the disk before it is folded into the build. */
final class Acts {
  private final Journal journal;
  private final Bench bench;
  private Build build;

  Acts(Journal journal, Build build, Bench bench) {
    this.journal = journal;
    this.build = build;
    this.bench = bench;
  }

  Build build() {
    return build;
  }

  /** Appends the events, all or none, then folds them. */
  void append(List<BuildEvent> events) {
    for (BuildEvent.Entry entry : written(events)) {
      build = build.with(entry);
    }
  }

  /** Mostly nobody else is writing; where somebody is, the waiting is done off this thread. */
  private List<BuildEvent.Entry> written(List<BuildEvent> events) {
    try {
      return journal.append(build.id(), events, Journal.BRIEFLY_MS);
    } catch (NotWritten e) {
      if (e.why() != NotWritten.Why.BUSY) {
        throw e;
      }
      return bench.patience().await(() -> journal.append(build.id(), events, Journal.PATIENTLY_MS));
    }
  }
}
