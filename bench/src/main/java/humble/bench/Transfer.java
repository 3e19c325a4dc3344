package humble.bench;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/**
 * Sends an image page by page over the link protocol and reads every page back.
 *
 * <p>A page whose answer is a checksum error is sent again, three times at most. A cancel or a
 * failure leaves the start vector's page unwritten, since it goes last: a half-loaded board does
 * not start.
 */
public final class Transfer {
  private static final int TRIES = 3;
  private static final String LANGUAGE = "humble-link/1";

  private final SerialLink link;
  private final Firmware.Target target;

  /** Makes a transfer to {@code target} over {@code link}. */
  public Transfer(SerialLink link, Firmware.Target target) {
    this.link = link;
    this.target = target;
  }

  /** How a transfer ended. */
  public sealed interface Outcome {
    /** Everything was sent; {@code verified} tells whether every page read back as sent. */
    record Sent(long bytes, boolean verified, int retries) implements Outcome {}

    /** It was cancelled; the board does not start until it is loaded again. */
    record Cancelled(long bytes) implements Outcome {}

    /** The board refused or did not answer. */
    record Failed(Phrase why, long bytes) implements Outcome {}
  }

  /**
   * Sends {@code image}.
   *
   * @param image the image, checked against the target before
   * @param progress told the share done, 0 to 1
   * @param cancelled asked before every page
   */
  public Outcome send(ProgramImage image, DoubleConsumer progress, BooleanSupplier cancelled) {
    long sent = 0;
    int retries = 0;
    try {
      String hello = link.ask("hello");
      if (!hello.startsWith("ok " + LANGUAGE)) {
        return new Outcome.Failed(Phrase.of("link.other-language", LANGUAGE, hello), 0);
      }
      String[] who = hello.split(" ");
      if (who.length < 3 || !who[2].equals(target.id())) {
        return new Outcome.Failed(
            Phrase.of("line.identity", who.length < 3 ? "?" : who[2], target.id()), 0);
      }
      List<Page> pages = pages(image);
      for (Page page : pages) {
        if (cancelled.getAsBoolean()) {
          return new Outcome.Cancelled(sent);
        }
        String erased =
            link.ask(String.format(Locale.ROOT, "erase 0x%x %d", page.address, page.bytes.length));
        if (!erased.equals("ok")) {
          return new Outcome.Failed(Phrase.of("link.not-erased", hex(page.address), erased), sent);
        }
        int tries = write(page);
        retries += tries - 1;
        sent += page.defined;
        progress.accept(sent / (double) image.length());
      }
      boolean verified = true;
      for (Page page : pages) {
        verified &= same(page);
      }
      String started = verified ? link.ask("start") : "ok";
      return started.equals("ok")
          ? new Outcome.Sent(sent, verified, retries)
          : new Outcome.Failed(Phrase.of("link.not-started", started), sent);
    } catch (Refused e) {
      return new Outcome.Failed(e.why, sent);
    } catch (LineTrouble e) {
      return new Outcome.Failed(e.phrase(), sent);
    } catch (IOException e) {
      return new Outcome.Failed(Phrase.of("link.broken", String.valueOf(e.getMessage())), sent);
    }
  }

  /** A page that was refused as often as it is tried. */
  private static final class Refused extends IOException {
    private static final long serialVersionUID = 1L;

    private final transient Phrase why;

    private Refused(Phrase why) {
      super(why.key());
      this.why = why;
    }
  }

  private static String hex(long address) {
    return "0x" + Long.toHexString(address);
  }

  private int write(Page page) throws IOException {
    String request =
        String.format(
            Locale.ROOT,
            "page 0x%x %s %08x",
            page.address,
            HexFormat.of().formatHex(page.bytes),
            SimulatedController.crcOf(page.bytes, 0, page.bytes.length));
    String answer = "";
    for (int tries = 1; tries <= TRIES; tries++) {
      answer = link.ask(request);
      if (answer.equals("ok")) {
        return tries;
      }
    }
    throw new Refused(Phrase.of("link.page-refused", hex(page.address), TRIES, answer));
  }

  private boolean same(Page page) throws IOException {
    String answer =
        link.ask(String.format(Locale.ROOT, "read 0x%x %d", page.address, page.bytes.length));
    return answer.equals("ok " + HexFormat.of().formatHex(page.bytes));
  }

  @SuppressWarnings("ArrayRecordComponent") // private, never compared
  private record Page(long address, byte[] bytes, int defined) {}

  /** Cuts the image into whole pages, gaps erased; the page with the start vector goes last. */
  private List<Page> pages(ProgramImage image) {
    TreeMap<Long, Page> pages = new TreeMap<>();
    int size = target.pageBytes();
    for (ProgramImage.Segment segment : image.segments()) {
      byte[] bytes = segment.bytes();
      for (int at = 0; at < bytes.length; ) {
        long address = segment.from() + at;
        long base = address - address % size;
        int offset = (int) (address - base);
        int length = Math.min(size - offset, bytes.length - at);
        Page old = pages.get(base);
        byte[] content = old == null ? blank(size) : old.bytes;
        System.arraycopy(bytes, at, content, offset, length);
        pages.put(base, new Page(base, content, length + (old == null ? 0 : old.defined)));
        at += length;
      }
    }
    List<Page> order = new ArrayList<>(pages.values());
    Long vector = target.vectorAt();
    if (vector != null) {
      Page first = pages.get(vector - vector % size);
      if (first != null) {
        order.remove(first);
        order.add(first);
      }
    }
    return order;
  }

  private byte[] blank(int size) {
    byte[] blank = new byte[size];
    Arrays.fill(blank, (byte) target.erased());
    return blank;
  }
}
