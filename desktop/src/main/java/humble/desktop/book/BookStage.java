package humble.desktop.book;

import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Desk;

/** The log that wrote itself: evenings as lanes, and the report. */
public final class BookStage extends HandStage {
  private final Session session;
  private final OpenBuild open;

  /** Makes the stage; reports go into the folder of the bench until another is chosen. */
  public BookStage(Session session, OpenBuild open, Desk desk) {
    super(desk);
    this.session = session;
    this.open = open;
  }

  @Override
  protected Turn turn() {
    return new Turn("book", () -> new BookHand(seat, session, open, this::layOver));
  }
}
