package humble.desktop.session;

import java.util.function.BooleanSupplier;

/** Something worked out away from the interface thread. */
public interface Job<T> {
  /**
   * Works it out.
   *
   * @param calledOff tells whether nobody waits for it any more; looked at now and then
   */
  T work(BooleanSupplier calledOff);
}
