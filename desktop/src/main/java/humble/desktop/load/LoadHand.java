package humble.desktop.load;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import java.util.Optional;

/** One thing to do in Load: all show the street. */
abstract class LoadHand extends Hand {
  protected final LoadBench bench;
  protected final OpenBuild open;
  private final Optional<ImageOnBench> image;

  LoadHand(LoadBench bench, Optional<ImageOnBench> image) {
    super(bench.seat());
    this.bench = bench;
    this.open = bench.open();
    this.image = image;
  }

  /** Gives how much of the image is sent, 0 to 1. */
  double sent() {
    return 0;
  }

  @Override
  public Mat mat() {
    return bench.street(image, sent());
  }

  /** Gives a way in words. */
  protected final String named(LoadWay way) {
    return switch (way) {
      case LoadWay.Practice w -> say("load.way.practice");
      case LoadWay.Port w ->
          say(w.fresh() ? "load.way.fresh" : "load.way.port", w.name(), w.says());
      case LoadWay.Drive w ->
          say("load.way.drive", w.board().isEmpty() ? w.folder().toString() : w.board());
      case LoadWay.Command w -> say("load.way.command", w.template());
      case LoadWay.Own w -> say("load.way.own");
    };
  }
}
