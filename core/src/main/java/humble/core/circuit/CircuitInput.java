package humble.core.circuit;

/**
 * A circuit that cannot be built from what the kit or the caller says: an unknown state, part or
 * pin.
 */
public final class CircuitInput extends RuntimeException {
  private static final long serialVersionUID = 1L;

  CircuitInput(String message) {
    super(message);
  }
}
