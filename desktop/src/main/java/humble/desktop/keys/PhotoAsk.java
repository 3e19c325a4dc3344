package humble.desktop.keys;

import humble.core.build.BuildEvent;
import humble.desktop.draw.Mat;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PhotoKeeping;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import java.nio.file.Path;
import java.util.Locale;

/** A photo was dropped on a stage: of the step at hand, or of the board, to draw over? */
final class PhotoAsk implements Stage {
  private final Desk desk;
  private final OpenBuild open;
  private final Stage beneath;
  private final StageId at;
  private final Path file;
  private final Path photos;
  private final Runnable ofBoard;
  private final Runnable leave;
  private final Typed typed = new Typed();
  private Errand<?> keeping = Errand.over();
  private String refused = "";

  /**
   * Makes it.
   *
   * @param photos the folder that keeps the photos of this bench
   * @param ofBoard takes it as a photo of the board
   * @param leave goes back to the stage
   */
  PhotoAsk(
      Desk desk,
      OpenBuild open,
      Stage beneath,
      StageId at,
      Path file,
      Path photos,
      Runnable ofBoard,
      Runnable leave) {
    this.desk = desk;
    this.open = open;
    this.beneath = beneath;
    this.at = at;
    this.file = file;
    this.photos = photos;
    this.ofBoard = ofBoard;
    this.leave = leave;
  }

  /** What stands on the card beneath: what it is of may just be worked out. */
  private String shows() {
    return beneath.card().title();
  }

  @Override
  public Card card() {
    Card.Maker card =
        new Card.Maker(
            desk.words().say("photo.ask.kicker", String.valueOf(file.getFileName())),
            desk.words().say("photo.ask.title"));
    card.row(Standing.TO_DO, desk.words().say("photo.ask.step", shows()));
    card.choice(1, Standing.TO_DO, desk.words().say("photo.ask.board"), ofBoard);
    card.key(Card.ESC, desk.words().say("photo.ask.leave"), leave);
    card.silent(Card.BACK, () -> {});
    keeping.failed().ifPresent(sentence -> card.verdict(false, sentence));
    if (!refused.isEmpty()) {
      card.verdict(false, refused);
    }
    card.why(desk.words().say("photo.ask.why"));
    return keeping.isRunning()
        ? card.notYet(desk.words().say("photo.ask.reading"))
        : card.go(desk.words().say("photo.ask.go"), this::keep);
  }

  private void keep() {
    refused = "";
    keeping =
        open.works()
            .start(
                calledOff -> PhotoKeeping.keep(file, photos),
                kept -> {
                  if (kept.name().isEmpty()) {
                    refused =
                        kept.refused()
                            .map(desk.coreWords()::sentence)
                            .orElse(desk.words().say("photo.ask.not"));
                  } else {
                    open.act(
                        new BuildEvent.PhotoKept(
                            kept.name(), at.name().toLowerCase(Locale.ROOT), shows()));
                    leave.run();
                  }
                });
  }

  @Override
  public Mat mat() {
    return beneath.mat();
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public void left() {
    keeping.cancel();
  }
}
