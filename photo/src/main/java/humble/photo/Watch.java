package humble.photo;

/** Who waits for long work: is told how far it is, and may call it off by throwing. */
public interface Watch {
  /**
   * Is told how far the work is.
   *
   * @param share from 0 to 1
   */
  void at(double share);

  /** Nobody waits. */
  static Watch none() {
    return share -> {};
  }
}
