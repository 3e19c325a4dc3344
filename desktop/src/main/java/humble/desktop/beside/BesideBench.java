package humble.desktop.beside;

import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.OwnFiles;
import java.util.HashSet;
import java.util.Set;

/** What the hands beside the programs share. */
final class BesideBench {
  private final OpenBuild open;
  private final Seat seat;
  private final OwnFiles files;
  private final Set<String> left = new HashSet<>();
  private final Set<String> changed = new HashSet<>();

  BesideBench(OpenBuild open, Seat seat, OwnFiles files) {
    this.open = open;
    this.seat = seat;
    this.files = files;
  }

  OpenBuild open() {
    return open;
  }

  Seat seat() {
    return seat;
  }

  OwnFiles files() {
    return files;
  }

  /** It is left for now, or was looked at and is as it was. */
  void leave(String id) {
    left.add(id);
  }

  /** Something is another than when it worked, or is not any more. */
  void changed(String id, boolean so) {
    if (so) {
      changed.add(id);
    } else {
      changed.remove(id);
    }
  }

  boolean isChanged(String id) {
    return changed.contains(id);
  }

  /** Tells whether something is still to be done about it now. */
  boolean isOpen(String id) {
    var done = open.build().beside().get(id);
    return !left.contains(id) && (done == null || !done.good());
  }

  boolean isLeft(String id) {
    return left.contains(id);
  }
}
