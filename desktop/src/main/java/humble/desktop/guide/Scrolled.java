package humble.desktop.guide;

/**
 * How far a page is read: set by the keys, bounded by what was last drawn. What the drawing shows
 * of the page's length is told, since the card says whether there is more.
 */
final class Scrolled {
  private final Runnable otherwise;
  private double top;
  private double total;
  private double seen = 1;
  private int towards = -1;
  private boolean said;

  /** Makes one; {@code otherwise} is run when there turns out to be more, or no more, to read. */
  Scrolled(Runnable otherwise) {
    this.otherwise = otherwise;
  }

  /** Gives the first pixel of the page that is seen. */
  double top() {
    return top;
  }

  /** The page is so tall, and so much of it is seen. */
  void drawn(double totalPx, double seenPx) {
    total = totalPx;
    seen = seenPx;
    towards = -1;
    top = Math.clamp(top, 0, Math.max(0, total - seen));
    if (hasMore() != said) {
      otherwise.run();
    }
  }

  /** Tells whether there is more of the page below. */
  boolean hasMore() {
    return top + seen < total - 1;
  }

  /** Tells the same, to be said on the card. */
  boolean saysMore() {
    said = hasMore();
    return said;
  }

  void on() {
    by(seen * 0.8);
  }

  void by(double px) {
    top = Math.clamp(top + px, 0, Math.max(0, total - seen));
  }

  /** A page is begun at a block of it; below 0 at its top. */
  void to(int block) {
    towards = block;
    top = 0;
  }

  /** Takes the place of a block while the page is laid out. */
  void laid(int block, double at) {
    if (block == towards) {
      top = Math.max(0, at - 60);
    }
  }
}
