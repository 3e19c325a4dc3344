package humble.desktop.book;

import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import java.nio.file.Path;

/** The log that wrote itself: evenings as lanes, and the report. */
public final class BookStage extends HandStage {
  private final OpenBuild open;
  private final Path home;

  /** Makes the stage; reports go into the folder of the bench until another is chosen. */
  public BookStage(OpenBuild open, Desk desk, Path home) {
    super(desk);
    this.open = open;
    this.home = home;
  }

  @Override
  protected Turn turn() {
    return new Turn("book", () -> new BookHand(seat, open, home));
  }
}
