package humble.store;

import org.jspecify.annotations.Nullable;

/** The journal holds something that cannot be read, or a write to it failed. */
public final class JournalDamage extends RuntimeException {
  private static final long serialVersionUID = 1L;

  JournalDamage(String message, @Nullable Throwable cause) {
    super(message, cause);
  }
}
