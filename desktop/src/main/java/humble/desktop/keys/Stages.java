package humble.desktop.keys;

import humble.desktop.book.BookStage;
import humble.desktop.close.CloseStage;
import humble.desktop.fit.FitStage;
import humble.desktop.load.LoadStage;
import humble.desktop.plan.PlanStage;
import humble.desktop.power.PowerStage;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.shelf.ShelfStage;
import humble.desktop.sort.SortStage;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.unpack.UnpackStage;
import humble.desktop.wake.WakeStage;
import humble.store.NotWritten;
import java.time.Clock;
import java.util.function.Supplier;

/** Makes the stages, each anew whenever it is entered. */
record Stages(Session session, Desk desk, Clock clock) {
  /** Makes a stage of the build on the bench; without one, the shelf. */
  Stage of(StageId id) {
    return safely(() -> session.open().map(open -> made(id, open)).orElseGet(this::shelf));
  }

  private Stage shelf() {
    return new ShelfStage(session, desk, clock);
  }

  /** A stage that cannot be made is told in its place. */
  private Stage safely(Supplier<Stage> making) {
    try {
      return making.get();
    } catch (NotWritten e) {
      throw e;
    } catch (RuntimeException | StackOverflowError e) {
      return broken(e);
    }
  }

  /** Gives what stands in the place of a stage that a fault ended. */
  Stage broken(Throwable fault) {
    return new TroubleStage(desk, session.told(desk.words().say("trouble.stage"), fault));
  }

  private Stage made(StageId id, OpenBuild open) {
    return switch (id) {
      case SHELF -> shelf();
      case UNPACK -> new UnpackStage(open, desk, session.home());
      case SORT -> new SortStage(open, desk);
      case PLAN -> new PlanStage(open, desk);
      case FIT -> new FitStage(open, desk);
      case POWER -> new PowerStage(open, desk);
      case LOAD -> new LoadStage(open, desk, session.home());
      case WAKE -> new WakeStage(open, desk);
      case CLOSE -> new CloseStage(session, desk);
      case BOOK -> new BookStage(session, open, desk);
    };
  }
}
