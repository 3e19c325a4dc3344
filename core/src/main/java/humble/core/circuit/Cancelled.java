package humble.core.circuit;

/** Long work that was called off. */
public final class Cancelled extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** Says that it was called off. */
  public Cancelled() {
    super("called off");
  }
}
