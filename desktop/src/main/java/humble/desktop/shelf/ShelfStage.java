package humble.desktop.shelf;

import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.practice.Skill;
import humble.core.practice.Spacing;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.intake.IntakeStage;
import humble.desktop.own.OwnStage;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import humble.store.Journal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Builds begun and kits to begin. */
public final class ShelfStage implements Stage {
  /** What stands behind the builds and kits, by its place there. */
  private static final int LIST = 0;

  private static final int JOURNAL = 1;
  private static final int PRACTICE = 2;
  private static final int GUIDE = 3;
  private static final int BESIDE = 4;

  private final Session session;
  private final Desk desk;
  private final Words words;
  private final Clock clock;
  private final List<Session.OnShelf> shelf;
  private final String due;
  private final Typed typed = new Typed();
  private int chosen;

  /** Makes the stage. */
  public ShelfStage(Session session, Desk desk, Clock clock) {
    this.clock = clock;
    this.session = session;
    this.desk = desk;
    this.words = desk.words();
    this.shelf = session.shelf();
    this.due = due();
    // What has to be decided lies at the front.
    this.chosen = session.journal().isUndecided() ? shelf.size() + JOURNAL : 0;
  }

  @Override
  public Card card() {
    switch (chosen - shelf.size()) {
      case LIST -> {
        return listCard();
      }
      case JOURNAL -> {
        return journalCard();
      }
      case PRACTICE -> {
        return besides("shelf.practice", desk::practise);
      }
      case GUIDE -> {
        return besides("shelf.guide", () -> desk.guide("shelf"));
      }
      default -> {
        return itemCard();
      }
    }
  }

  private Card listCard() {
    Card.Maker card = new Card.Maker(place(), words.say("shelf.type-in"));
    card.how(words.say("shelf.type-in.how"));
    card.how(words.say("shelf.type-in.drop"));
    next(card);
    return card.go(
        words.say("shelf.type-in.go"), () -> desk.show(new IntakeStage(session, desk, clock)));
  }

  private Card besides(String key, Runnable open) {
    Card.Maker card = new Card.Maker(place(), words.say(key));
    card.how(words.say(key + ".how"));
    next(card);
    return card.go(words.say(key + ".go"), open);
  }

  private Card itemCard() {
    Session.OnShelf item = shelf.get(chosen);
    Card.Maker card = new Card.Maker(place(), title(item));
    return switch (item) {
      case Session.OnShelf.Begun begun -> {
        card.how(begun.kit().summary());
        next(card);
        card.key('.', words.say("shelf.change"), this::change);
        yield card.go(words.say("shelf.continue"), this::lay);
      }
      case Session.OnShelf.Fresh fresh -> {
        card.how(fresh.kit().summary());
        card.why(
            words.say(
                "shelf.size", Parts.of(fresh.kit()).all().size(), fresh.kit().lines().size()));
        next(card);
        card.key('.', words.say("shelf.change"), this::change);
        yield card.go(words.say("shelf.begin"), this::lay);
      }
      case Session.OnShelf.Broken broken -> {
        card.verdict(false, words.say("shelf.broken", broken.problems().size()));
        broken.problems().stream().limit(5).forEach(problem -> card.row(Standing.TO_DO, problem));
        next(card);
        yield card.notYet(words.say("shelf.cannot"));
      }
    };
  }

  private String place() {
    return words.say("shelf.place", chosen + 1, shelf.size() + BESIDE);
  }

  private Card journalCard() {
    Journal journal = session.journal();
    Card.Maker card = new Card.Maker(place(), words.say("shelf.journal"));
    int copies = session.copies().all().size();
    card.how(words.say("shelf.journal.how", copies));
    if (journal.isUndecided()) {
      card.verdict(false, words.say("shelf.journal.damaged", journal.damage().size()));
    }
    card.why(words.say("shelf.journal.file", journal.file()));
    card.why(words.say("shelf.journal.log", session.log().file()));
    next(card);
    return card.go(
        words.say(journal.isUndecided() ? "shelf.journal.decide" : "shelf.journal.open"),
        () -> desk.show(new JournalStage(session, desk)));
  }

  private void next(Card.Maker card) {
    card.key('+', words.say("shelf.next"), () -> chosen = (chosen + 1) % (shelf.size() + BESIDE));
  }

  private String title(Session.OnShelf item) {
    return switch (item) {
      case Session.OnShelf.Begun begun ->
          begun.build().began().map(b -> b.name()).orElse(begun.kit().name());
      case Session.OnShelf.Fresh fresh -> words.say("shelf.start", fresh.kit().name());
      case Session.OnShelf.Broken broken -> broken.name();
    };
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    List<ShelfMat.Item> items = new ArrayList<>();
    for (Session.OnShelf item : shelf) {
      items.add(
          switch (item) {
            case Session.OnShelf.Begun begun -> begun(begun.build(), begun.kit());
            case Session.OnShelf.Fresh fresh ->
                new ShelfMat.Item(
                    fresh.kit().name(),
                    words.say("shelf.kit"),
                    Parts.of(fresh.kit()),
                    Set.of(),
                    0,
                    false);
            case Session.OnShelf.Broken broken ->
                new ShelfMat.Item(
                    broken.name(), words.say("shelf.cannot"), null, Set.of(), 0, true);
          });
    }
    return new ShelfMat(
        words.say("shelf.mat"),
        items,
        List.of(
            new ShelfMat.Beside(
                words.say("shelf.type-in.short"), words.say("shelf.type-in.state"), false),
            new ShelfMat.Beside(
                words.say("shelf.journal"),
                session.journal().isUndecided()
                    ? words.say("shelf.journal.damaged", session.journal().damage().size())
                    : words.say("shelf.journal.state", session.journal().events()),
                session.journal().isUndecided()),
            new ShelfMat.Beside(words.say("shelf.practice"), due, false),
            new ShelfMat.Beside(words.say("shelf.guide"), words.say("shelf.guide.state"), false)),
        chosen);
  }

  /** How much of the practice is due. */
  private String due() {
    Spacing spacing = Spacing.of(session.practised());
    return words.say(
        "shelf.practice.state",
        Arrays.stream(Skill.values())
            .filter(skill -> spacing.isDue(skill, clock.instant()))
            .count());
  }

  private ShelfMat.Item begun(Build build, Kit kit) {
    Parts parts = Parts.of(kit);
    long placed =
        parts.all().stream()
            .filter(part -> part.placed().isPresent() && !part.line().isOnBoard())
            .count();
    double share = placed == 0 ? 0 : build.fittedRefs().size() / (double) placed;
    String state =
        build.isClosed()
            ? words.say("shelf.done")
            : words.say("shelf.fitted", build.fittedRefs().size());
    return new ShelfMat.Item(
        build.began().map(b -> b.name()).orElse(kit.name()),
        state,
        parts,
        Stream.concat(kit.soldered().stream(), build.fittedRefs().stream())
            .collect(Collectors.toSet()),
        share,
        false);
  }

  /** Lays it on the bench, opened for change. */
  private void change() {
    lay();
    if (session.open().isPresent()) {
      desk.show(new OwnStage(session, desk, StageId.UNPACK));
    }
  }

  private void lay() {
    session.lay(shelf.get(chosen));
    StageId next = session.open().map(Progress::current).orElse(StageId.SHELF);
    desk.go(next == StageId.SHELF ? StageId.UNPACK : next);
  }

  @Override
  public void pick(String spot) {
    chosen =
        Math.clamp(
            Integer.parseInt(spot.substring("shelf:".length())), 0, shelf.size() + BESIDE - 1);
  }

  @Override
  public void openFile() {
    IntakeStage intake = new IntakeStage(session, desk, clock);
    desk.show(intake);
    intake.openFile();
  }

  @Override
  public void paste(String text) {
    IntakeStage intake = new IntakeStage(session, desk, clock);
    desk.show(intake);
    intake.paste(text);
  }
}
