package humble.desktop.along;

import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.Errand;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import humble.formats.kit.BuildArchive;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Takes a build in that came along as one file: whose it is decides what counts of it. */
public final class AlongStage implements Stage {
  private static final int MOST_PROBLEMS = 5;

  private final Session session;
  private final Desk desk;
  private final Words words;
  private final Path file;
  private final Errand<?> reading;
  private final Typed typed = new Typed();
  private BuildArchive.@Nullable Read read;
  private List<String> problems = List.of();

  /** Makes the stage and reads the file in the background. */
  public AlongStage(Session session, Desk desk, Path file) {
    this.session = session;
    this.desk = desk;
    this.words = desk.words();
    this.file = file;
    this.reading =
        session
            .works(desk::refresh)
            .start(calledOff -> BuildArchive.open(file), found -> this.read = found);
  }

  @Override
  public Card card() {
    Card.Maker card = new Card.Maker(words.say("along.kicker"), String.valueOf(file.getFileName()));
    card.key(Card.ESC, words.say("along.leave"), () -> desk.go(StageId.SHELF));
    card.silent(Card.BACK, () -> {});
    BuildArchive.Read found = read;
    if (found == null) {
      reading.failed().ifPresent(sentence -> card.verdict(false, sentence));
      return card.notYet(words.say("along.reading"));
    }
    return switch (found) {
      case BuildArchive.Read.Refused refused -> refused(card, refused.problems());
      case BuildArchive.Read.Opened opened ->
          problems.isEmpty() ? asks(card, opened.archive()) : refused(card, problems);
    };
  }

  private Card refused(Card.Maker card, List<String> against) {
    card.verdict(false, words.say("along.refused", against.size()));
    against.stream().limit(MOST_PROBLEMS).forEach(each -> card.row(Standing.TO_DO, each));
    if (against.size() > MOST_PROBLEMS) {
      card.how(words.say("along.more", against.size() - MOST_PROBLEMS));
    }
    return card.go(words.say("along.leave.go"), () -> desk.go(StageId.SHELF));
  }

  private Card asks(Card.Maker card, BuildArchive archive) {
    archive.kit().ifPresent(kit -> card.how(words.say("along.kit", kit.name(), kit.revision())));
    long entries = Math.max(0, archive.lines().lines().count() - 1);
    card.how(words.say("along.entries", entries));
    card.choice(1, Standing.TO_DO, words.say("along.mine"), () -> take(archive, false));
    card.choice(2, Standing.TO_DO, words.say("along.other"), () -> take(archive, true));
    card.why(words.say("along.why"));
    return card.notYet(words.say("along.go"));
  }

  private void take(BuildArchive archive, boolean otherHand) {
    problems = session.takeAlong(archive, otherHand);
    if (problems.isEmpty()) {
      desk.go(session.open().isPresent() ? StageId.UNPACK : StageId.SHELF);
    }
  }

  @Override
  public Mat mat() {
    Optional<Kit> kit =
        read instanceof BuildArchive.Read.Opened opened ? opened.archive().kit() : Optional.empty();
    return new AlongMat(words.say("along.mat"), kit.map(Parts::of));
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public String guidePage() {
    return "along";
  }

  @Override
  public void left() {
    reading.cancel();
  }
}
