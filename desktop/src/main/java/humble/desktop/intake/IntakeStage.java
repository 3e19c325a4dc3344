package humble.desktop.intake;

import humble.core.intake.Question;
import humble.core.intake.Review;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.Session;
import humble.desktop.session.Works;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.photo.PhotoFile;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Makes a kit of a parts list: lines typed off a sheet, entered with the keypad, pasted, or read
 * from a file; then a quick review of what was guessed; then a name.
 */
public final class IntakeStage extends HandStage {
  private final Session session;
  private final TypedList list;
  private final Sources sources;
  private boolean looking;
  private @Nullable Review review;

  /** Makes the stage; what was typed earlier and not kept as a kit is there again. */
  public IntakeStage(Session session, Desk desk, Clock clock) {
    super(desk);
    this.session = session;
    Works works = session.works(() -> seat.desk().refresh());
    this.list = new TypedList(seat, session.home(), clock, works);
    List<Path> kits = session.kitPaths();
    works.start(calledOff -> Session.chips(kits), list::knows);
    this.sources = new Sources(seat, list);
  }

  private record Asked(Review review, Question question) {}

  private record Naming(Review review) {}

  @Override
  protected Turn turn() {
    if (looking && review == null && !list.isReading()) {
      Optional<SourceHand.Asked> asked = sources.next();
      if (asked.isPresent()) {
        return new Turn(
            asked.get().title(), () -> new SourceHand(seat, list, asked.get(), this::back));
      }
      review = list.review();
    }
    Review going = review;
    if (going == null) {
      return new Turn(
          "line", () -> new LineHand(seat, list, this::byKeypad, this::openFile, this::look));
    }
    return going
        .next()
        .map(question ->
            new Turn(
                new Asked(going, question),
                () -> new QuestionHand(seat, list, going, question, this::back)))
        .orElseGet(() ->
            new Turn(
                new Naming(going),
                () ->
                    new NameHand(
                        seat,
                        list,
                        going,
                        session,
                        this::back,
                        () -> layOver(new MatrixHand(seat, list, going)))));
  }

  private void byKeypad() {
    layOver(new GuidedHand(seat, list));
  }

  private void look() {
    looking = true;
  }

  /** Goes back to the list; what was decided about it is asked again. */
  private void back() {
    looking = false;
    review = null;
  }

  /** What is typed here is no act of a build: it is taken back by each hand itself. */
  @Override
  protected Card withCommonKeys(Card card) {
    return card;
  }

  @Override
  public void openFile() {
    seat.desk().chooseFile(seat.say("intake.choose"), this::file);
  }

  @Override
  public void paste(String text) {
    if (review != null) {
      seat.typed().type(seat.typed().text() + text.strip().replaceAll("\\s+", " "));
      return;
    }
    list.take(text, seat.say("intake.pasted"));
  }

  /** Reads a file that was dropped or chosen. */
  public void file(Path file) {
    if (PhotoFile.isNamed(String.valueOf(file.getFileName()))) {
      list.trouble(seat.say("intake.photo"));
      seat.desk().refresh();
      return;
    }
    back();
    list.take(file);
    seat.desk().refresh();
  }
}
