package humble.desktop.keys;

import humble.core.words.Words;
import humble.desktop.session.Bench;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.store.NotWritten;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Takes care that nothing that fails ends the program or is lost: an act that could not be written
 * is told and can be tried again, a fault of the program is told and written down. While something
 * is being handled, what is to be shown anew is shown once, after it.
 */
final class Care {
  private final Session session;
  private final Words words;
  private final Face face;
  private boolean holding = true;
  private boolean stale;
  private boolean awaiting;
  private @Nullable Trouble trouble;

  Care(Session session, Words words, Face face) {
    this.session = session;
    this.words = words;
    this.face = face;
    if (!session.notice().isEmpty()) {
      trouble = new Trouble(session.notice(), null, null);
    }
    waitBy(Bench.ON_THE_SPOT);
  }

  /** Sets who waits off the interface thread; while somebody does, keys are not taken. */
  void waitBy(Bench.Patience patience) {
    session.leanOn(
        new Bench.Patience() {
          @Override
          public <T> T await(Supplier<T> work) {
            awaiting = true;
            face.waiting(true);
            try {
              return patience.await(work);
            } finally {
              awaiting = false;
              face.waiting(false);
            }
          }
        },
        this::carefully);
  }

  /** Handles something and then shows once what it changed. */
  void handle(Runnable work) {
    if (awaiting) {
      return;
    }
    if (holding) {
      work.run();
    } else {
      held(work, null);
    }
  }

  /** Runs what came in from the background; an act of it that cannot be written is kept. */
  private void carefully(Runnable work) {
    if (holding) {
      attempt(work, work);
    } else {
      held(work, work);
    }
  }

  private void held(Runnable work, @Nullable Runnable again) {
    holding = true;
    try {
      attempt(work, again);
    } finally {
      release();
    }
  }

  private void attempt(Runnable work, @Nullable Runnable again) {
    try {
      work.run();
    } catch (NotWritten e) {
      String key = "trouble.not-written." + e.why().name().toLowerCase(Locale.ROOT);
      trouble = new Trouble(words.say(key, session.journal().file()), again, e.why());
      session.log().note(String.valueOf(e.getMessage()));
      stale = true;
    } catch (RuntimeException | StackOverflowError e) {
      fault(words.say("trouble.key"), e);
    }
  }

  /** Tells of a fault of the program, wherever it was found. */
  void fault(String what, Throwable fault) {
    trouble = new Trouble(session.told(what, fault), null, null);
    refresh();
  }

  /** Shows from now on what changes. */
  void release() {
    holding = false;
    if (stale) {
      refresh();
    }
  }

  /** Shows everything anew, now or after what is being handled; from any thread. */
  void refresh() {
    if (!face.isHere()) {
      face.later(this::refresh);
    } else if (holding) {
      stale = true;
    } else {
      stale = false;
      face.show();
    }
  }

  /** Gives why the last act was not written; empty when it was. */
  Optional<NotWritten.Why> unwritten() {
    Trouble told = trouble;
    return told == null ? Optional.empty() : Optional.ofNullable(told.why());
  }

  /** The next thing is done: what was told has been read, unless it waits for being written. */
  void read() {
    Trouble told = trouble;
    trouble = told == null || told.again() == null ? null : told;
  }

  /** Puts away what was told, and what waits for being written. */
  void putAway() {
    trouble = null;
  }

  /**
   * Does what could not be written in the background once more; tells whether there was such a
   * thing.
   */
  boolean writtenAgain() {
    Trouble told = trouble;
    Runnable again = told == null ? null : told.again();
    if (again != null) {
      trouble = null;
      attempt(again, again);
      refresh();
    }
    return again != null;
  }

  /** Gives a card with what is to be told on it. */
  Card with(Card card) {
    Trouble told = trouble;
    if (told != null) {
      Card with = card.withVerdict(new Card.Verdict(false, told.text()));
      return told.again() == null ? with : with.withGo(words.say("trouble.again"), () -> {});
    }
    String failed = session.open().map(OpenBuild::failed).orElse("");
    return failed.isEmpty() || card.verdict().isPresent() || card.goEnabled()
        ? card
        : card.withVerdict(new Card.Verdict(false, failed));
  }
}
