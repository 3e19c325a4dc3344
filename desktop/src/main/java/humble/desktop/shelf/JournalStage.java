package humble.desktop.shelf;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import humble.formats.InputFile;
import humble.store.Copies;
import humble.store.Damage;
import humble.store.Journal;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The journal as a whole: what is damaged in it and what may become of it, and its copies, one of
 * which can be put in its place. Asks once more before anything is done.
 */
final class JournalStage implements Stage {
  private static final int MOST_NAMED = 4;

  private final Session session;
  private final Desk desk;
  private final Words words;
  private final List<Copies.Copy> copies;
  private final Typed typed = new Typed();
  private int chosen;
  private boolean sure;
  private Optional<Card.Verdict> answer = Optional.empty();

  JournalStage(Session session, Desk desk) {
    this.session = session;
    this.desk = desk;
    this.words = desk.words();
    this.copies = session.copies().all();
  }

  private Journal journal() {
    return session.journal();
  }

  @Override
  public Card card() {
    List<Damage> damage = journal().damage();
    Card.Maker card =
        new Card.Maker(
            words.say("journal.kicker"),
            damage.isEmpty()
                ? words.say("journal.sound", journal().events(), journal().builds().size())
                : words.say("journal.damaged", damage.size()));
    card.how(words.say(damage.isEmpty() ? "journal.sound.how" : "journal.damaged.how"));
    damage.stream().limit(MOST_NAMED).forEach(each -> card.row(Standing.DEVIATED, each.text()));
    if (damage.size() > MOST_NAMED) {
      card.row(Standing.DEVIATED, words.say("journal.more", damage.size() - MOST_NAMED));
    }
    if (copies.isEmpty()) {
      card.how(words.say("journal.no-copy"));
    } else {
      card.how(words.say("journal.copy", when(now().at()), chosen + 1, copies.size()));
    }
    answer.ifPresent(said -> card.verdict(said.good(), said.text()));
    if (sure && answer.isEmpty()) {
      card.verdict(false, words.say("journal.sure", when(now().at())));
    }
    if (copies.size() > 1) {
      card.key('+', words.say("journal.next"), this::next);
    }
    if (!damage.isEmpty()) {
      card.key('1', words.say("journal.go-on"), this::goOn);
    }
    if (sure) {
      return card.go(words.say("journal.restore.now"), this::restore);
    }
    if (damage.isEmpty()) {
      // A sound journal is looked at, and left: putting a copy in its place is asked for.
      if (!copies.isEmpty()) {
        card.key('2', words.say("journal.restore"), this::ask);
      }
      return card.go(words.say("journal.back"), () -> desk.go(StageId.SHELF));
    }
    card.click("F1", words.say("journal.back"), () -> desk.go(StageId.SHELF));
    return copies.isEmpty()
        ? card.notYet(words.say("journal.restore"))
        : card.go(words.say("journal.restore"), this::ask);
  }

  private void next() {
    chosen = copies.isEmpty() ? 0 : (chosen + 1) % copies.size();
    sure = false;
    answer = Optional.empty();
  }

  private Copies.Copy now() {
    return copies.get(chosen);
  }

  private static String when(Instant at) {
    return DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
        .withLocale(Locale.getDefault())
        .format(at.atZone(ZoneId.systemDefault()));
  }

  private void goOn() {
    if (journal().isUndecided()) {
      int named = journal().damage().size();
      journal().goOnWithoutDamage();
      answer = Optional.of(new Card.Verdict(true, words.say("journal.went-on", named)));
      sure = false;
    }
  }

  private void ask() {
    sure = true;
    answer = Optional.empty();
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("copy:")) {
      chosen = Math.clamp(Integer.parseInt(spot.substring("copy:".length())), 0, copies.size() - 1);
      sure = false;
      answer = Optional.empty();
    }
  }

  private void restore() {
    sure = false;
    try {
      String kept = session.restore(now()).map(Path::getFileName).map(Path::toString).orElse("");
      answer =
          Optional.of(
              new Card.Verdict(true, words.say("journal.restored", when(now().at()), kept)));
    } catch (IOException e) {
      answer =
          Optional.of(
              new Card.Verdict(false, words.say("journal.not-restored", InputFile.reason(e))));
    }
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    return new CopiesMat(
        words.say("journal.mat"),
        words.say("journal.now", journal().events()),
        journal().isUndecided(),
        copies.stream().map(copy -> when(copy.at())).toList(),
        chosen);
  }
}
