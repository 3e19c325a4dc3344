package humble.desktop.window;

import humble.desktop.session.Bench;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import javafx.application.Platform;

/**
 * Waits for something on a thread of its own while the interface thread goes on drawing. The caller
 * stays where it is; whoever takes keys must not take any meanwhile.
 */
final class OffThread implements Bench.Patience {
  @Override
  public <T> T await(Supplier<T> work) {
    if (!Platform.isFxApplicationThread()) {
      return work.get();
    }
    Object loop = new Object();
    AtomicReference<RuntimeException> thrown = new AtomicReference<>();
    AtomicReference<T> result = new AtomicReference<>();
    Thread.ofPlatform()
        .daemon()
        .name("waits")
        .start(() -> {
          try {
            result.set(work.get());
          } catch (RuntimeException e) {
            thrown.set(e);
          } catch (Error e) {
            thrown.set(new IllegalStateException(e));
          } finally {
            Platform.runLater(() -> Platform.exitNestedEventLoop(loop, null));
          }
        });
    Platform.enterNestedEventLoop(loop);
    RuntimeException e = thrown.get();
    if (e != null) {
      throw e;
    }
    return Objects.requireNonNull(result.get());
  }
}
