package humble.bench.line;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;

/** Two lines joined to each other in memory, with somebody who may damage what passes. */
final class Pipe {
  private final BlockingQueue<Byte> ab = new LinkedBlockingQueue<>();
  private final BlockingQueue<Byte> ba = new LinkedBlockingQueue<>();
  private final List<String> controls = new ArrayList<>();
  private volatile boolean cut;

  ByteLine a(UnaryOperator<byte[]> damage) {
    return new End(ba, ab, damage);
  }

  ByteLine b(UnaryOperator<byte[]> damage) {
    return new End(ab, ba, damage);
  }

  ByteLine a() {
    return a(bytes -> bytes);
  }

  ByteLine b() {
    return b(bytes -> bytes);
  }

  void cut() {
    cut = true;
  }

  List<String> controls() {
    return controls;
  }

  private final class End implements ByteLine {
    private final BlockingQueue<Byte> in;
    private final BlockingQueue<Byte> out;
    private final UnaryOperator<byte[]> damage;

    private End(BlockingQueue<Byte> in, BlockingQueue<Byte> out, UnaryOperator<byte[]> damage) {
      this.in = in;
      this.out = out;
      this.damage = damage;
    }

    @Override
    public String description() {
      return "pipe";
    }

    @Override
    public int read(byte[] into, int waitMs) throws IOException {
      whole();
      try {
        Byte first = in.poll(waitMs, TimeUnit.MILLISECONDS);
        int n = 0;
        while (first != null) {
          into[n++] = first;
          first = n < into.length ? in.poll() : null;
        }
        whole();
        return n;
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IOException("interrupted", e);
      }
    }

    @Override
    public void write(byte[] bytes) throws IOException {
      whole();
      for (byte each : damage.apply(bytes)) {
        out.add(each);
      }
    }

    private void whole() throws IOException {
      if (cut) {
        throw new IOException("cut");
      }
    }

    @Override
    public void control(boolean dtr, boolean rts) {
      controls.add((dtr ? "DTR" : "-") + " " + (rts ? "RTS" : "-"));
    }

    @Override
    public void close() {
      cut();
    }
  }
}
