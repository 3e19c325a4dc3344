package humble.desktop.session;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** A thread for every link to the world. Used on the interface thread only. */
public final class Links {
  private final Map<String, ExecutorService> threads = new HashMap<>();

  /** Gives the thread of the link of that name. */
  Executor of(String link) {
    return threads.computeIfAbsent(
        link,
        name ->
            Executors.newSingleThreadExecutor(
                Thread.ofPlatform().daemon().name("link " + name).factory()));
  }

  /** Lets the threads end; one that hangs is a daemon and ends with the program. */
  void close() {
    threads.values().forEach(ExecutorService::shutdownNow);
    threads.clear();
  }
}
