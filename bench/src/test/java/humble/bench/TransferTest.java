package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.firmware.ProgramImage;
import humble.core.kit.ChipFacts;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class TransferTest {
  private static final Firmware.Target TARGET =
      new Firmware.Target(
          "main",
          "U1",
          List.of(new Firmware.Region("flash", 0, 0x7fff)),
          List.of(new Firmware.Region("boot", 0x7e00, 0x7fff)),
          128,
          0xff,
          0L,
          null,
          List.of("page"));

  /** A line to a simulated board that spoils some answers or requests. */
  private static final class Noisy implements SerialLink {
    private final SimulatedController board = new SimulatedController(TARGET);
    private final UnaryOperator<String> onTheWay;
    private final List<String> asked = new ArrayList<>();

    Noisy(UnaryOperator<String> onTheWay) {
      this.onTheWay = onTheWay;
    }

    @Override
    public String description() {
      return "noisy " + board.description();
    }

    @Override
    public String ask(String request) throws IOException {
      asked.add(request);
      String arrived = onTheWay.apply(request);
      if (arrived.isEmpty()) {
        throw new IOException("nothing answers");
      }
      return board.ask(arrived);
    }

    @Override
    public void close() {
      board.close();
    }
  }

  private static ProgramImage image(int bytes) {
    byte[] data = new byte[bytes];
    new Random(bytes).nextBytes(data);
    data[0] = 0x0c;
    return new ProgramImage.Builder().add(0, data).build();
  }

  private static Transfer.Outcome send(SerialLink link, ProgramImage image) {
    return new Transfer(link, TARGET).send(image, share -> {}, () -> false);
  }

  @Property(tries = 100)
  void whatIsSentReadsBack(@ForAll long seed) {
    Random random = new Random(seed);
    ProgramImage.Builder builder = new ProgramImage.Builder().add(0, new byte[] {1, 2, 3});
    for (int i = 0; i < 4; i++) {
      byte[] data = new byte[1 + random.nextInt(400)];
      random.nextBytes(data);
      builder.add(0x200 + random.nextInt(0x7000), data);
    }
    ProgramImage image = builder.build();
    SimulatedController board = new SimulatedController(TARGET);
    assertThat(send(board, image))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Sent.class,
            sent -> {
              assertThat(sent.verified()).isTrue();
              assertThat(sent.bytes()).isEqualTo(image.length());
            });
    for (ProgramImage.Segment segment : image.segments()) {
      assertThat(board.ask(String.format("read 0x%x %d", segment.from(), segment.length())))
          .isEqualTo("ok " + java.util.HexFormat.of().formatHex(segment.bytes()));
    }
  }

  @Test
  void aSpoiledPageIsSentAgain() {
    int[] spoiled = {2};
    Noisy link =
        new Noisy(request ->
            request.startsWith("page 0x80 ") && spoiled[0]-- > 0
                ? request.replaceFirst("page 0x80 ..", "page 0x80 00")
                : request);
    assertThat(send(link, image(300)))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Sent.class,
            sent -> {
              assertThat(sent.verified()).isTrue();
              assertThat(sent.retries()).isEqualTo(2);
            });
  }

  /** What was sent and answered with "ok" may all the same not be what is in the chip. */
  @Test
  void aPageThatReadsBackOtherwiseIsNotVerifiedAndNotStarted() {
    List<String> asked = new ArrayList<>();
    SimulatedController board = new SimulatedController(TARGET);
    SerialLink forgetful =
        new SerialLink() {
          @Override
          public String description() {
            return "forgetful";
          }

          @Override
          public String ask(String request) {
            asked.add(request);
            String answer = board.ask(request);
            return request.startsWith("read 0x80 ")
                ? answer.substring(0, answer.length() - 1) + (answer.endsWith("0") ? "1" : "0")
                : answer;
          }

          @Override
          public void close() {
            board.close();
          }
        };
    assertThat(send(forgetful, image(300)))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Sent.class, sent -> assertThat(sent.verified()).isFalse());
    assertThat(asked).noneMatch(request -> request.equals("start"));
  }

  @Test
  void aPageThatNeverArrivesIsAFailureThatNamesIt() {
    Noisy link =
        new Noisy(request ->
            request.startsWith("page 0x100 ")
                ? request.replaceFirst(" ..", " 00").replaceFirst("page 00100", "page 0x100") + "f"
                : request);
    assertThat(send(link, image(400)))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Failed.class, failed -> assertThat(said(failed)).contains("0x100"));
  }

  @Test
  void aDeadLineIsAFailure() {
    assertThat(send(new Noisy(request -> ""), image(10)))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Failed.class,
            failed -> assertThat(said(failed)).contains("nothing answers"));
  }

  @Test
  void somethingThatSpeaksAnotherLanguageIsSaidSo() {
    SerialLink other = new Noisy(request -> "what");
    assertThat(send(other, image(10)))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Failed.class,
            failed -> assertThat(said(failed)).contains("humble-link/1"));
  }

  @Test
  void aCancelledTransferLeavesABoardThatDoesNotStart() {
    SimulatedController board = new SimulatedController(TARGET);
    send(board, image(1000));
    assertThat(board.ask("start")).isEqualTo("ok");
    int[] pages = {20};
    Transfer.Outcome outcome =
        new Transfer(board, TARGET).send(image(2000), share -> {}, () -> pages[0]-- <= 0);
    assertThat(outcome).isInstanceOf(Transfer.Outcome.Cancelled.class);
    assertThat(board.ask("show")).isEqualTo("err not started");
  }

  /** The old program's vector must not start what is half the new one. */
  @Test
  void whatWasCutOffDoesNotStartAndGoesOnWhereItStopped() {
    Noisy link = new Noisy(request -> request);
    send(link, image(1000));
    long old = written(link);
    ProgramImage other = image(2000);
    Transfer.Outcome cut =
        new Transfer(link, TARGET).send(other, share -> {}, () -> written(link) >= old + 5);
    assertThat(cut)
        .isInstanceOfSatisfying(
            Transfer.Outcome.Cancelled.class,
            off -> assertThat(off.left()).isEqualTo(ChipLeft.PART_THAT_DOES_NOT_START));
    assertThat(link.board.ask("start")).isEqualTo("err nothing to start");
    long before = written(link);
    Transfer.Outcome rest = send(link, other);
    long written = written(link) - before;
    assertThat(rest)
        .isInstanceOfSatisfying(
            Transfer.Outcome.Sent.class,
            sent -> {
              assertThat(sent.verified()).isTrue();
              assertThat(sent.kept()).isPositive().isLessThan(2000);
              assertThat(written).isEqualTo((2000 - sent.kept() + 127) / 128);
            });
    assertThat(link.board.ask("start")).isEqualTo("ok");
  }

  private static long written(Noisy link) {
    return link.asked.stream().filter(request -> request.startsWith("page ")).count();
  }

  /** What is said of the chip is true of the moment at which it failed. */
  @Test
  void whatIsLeftIsToldAsItIs() {
    assertThat(left(request -> request.startsWith("page 0x80 ") ? "" : request))
        .isEqualTo(ChipLeft.PART_THAT_DOES_NOT_START);
    assertThat(left(request -> request.startsWith("hello") ? "" : request))
        .isEqualTo(ChipLeft.AS_IT_WAS);
    assertThat(left(request -> request.startsWith("page 0x0 ") ? "" : request))
        .isEqualTo(ChipLeft.UNKNOWN);
    assertThat(left(request -> request.startsWith("read 0x0 ") ? "" : request))
        .isEqualTo(ChipLeft.UNKNOWN);
    assertThat(left(request -> request.equals("start") ? "sleep" : request))
        .isEqualTo(ChipLeft.ALL_THAT_DOES_NOT_START);
  }

  private static ChipLeft left(UnaryOperator<String> onTheWay) {
    return ((Transfer.Outcome.Failed) send(new Noisy(onTheWay), image(600))).left();
  }

  @Test
  void whatIsInAlreadyIsNotWrittenAgainButReadBack() {
    Noisy link = new Noisy(request -> request);
    send(link, image(700));
    link.asked.clear();
    assertThat(send(link, image(700))).isEqualTo(new Transfer.Outcome.Sent(700, 700, true, 0));
    assertThat(link.asked).noneMatch(r -> r.startsWith("erase") || r.startsWith("page"));
    assertThat(link.asked).filteredOn(r -> r.startsWith("read")).hasSize(6);
  }

  @Test
  void aBoardThatTellsNoSumsGetsEveryPage() {
    Noisy link = new Noisy(request -> request.startsWith("crc") ? "sum" : request);
    send(link, image(700));
    assertThat(send(link, image(700))).isEqualTo(new Transfer.Outcome.Sent(700, 0, true, 0));
    assertThat(link.asked).filteredOn(r -> r.startsWith("crc")).hasSize(2);
  }

  @Test
  void anotherIdentityIsNotWrittenAndOneThatIsNotToldIsNoObstacle() {
    Firmware.Target chip = identified("7450a1", 0x7fff);
    SimulatedController board = new SimulatedController(chip);
    assertThat(board.ask("hello")).isEqualTo("ok humble-link/1 main page 128 id 7450a1 simulated");
    assertThat(new Transfer(board, chip).send(image(100), share -> {}, () -> false))
        .isInstanceOf(Transfer.Outcome.Sent.class);
    assertThat(
            new Transfer(board, identified("7450a2", 0x7fff))
                .send(image(200), share -> {}, () -> false))
        .isInstanceOfSatisfying(
            Transfer.Outcome.Failed.class,
            failed -> {
              assertThat(said(failed)).contains("7450a1").contains("7450a2");
              assertThat(failed.left()).isEqualTo(ChipLeft.AS_IT_WAS);
            });
    assertThat(
            new Transfer(new SimulatedController(TARGET), chip)
                .send(image(100), share -> {}, () -> false))
        .isInstanceOf(Transfer.Outcome.Sent.class);
  }

  /** A memory of two bytes takes no page of 128. */
  @Test
  void noPageIsLongerThanItsMemory() {
    Firmware.Target chip = identified("", 0x41);
    ProgramImage image =
        new ProgramImage.Builder().add(0, new byte[] {1, 2}).add(0x40, new byte[] {3}).build();
    SimulatedController board = new SimulatedController(chip);
    assertThat(new Transfer(board, chip).send(image, share -> {}, () -> false))
        .isEqualTo(new Transfer.Outcome.Sent(3, 0, true, 0));
    assertThat(board.ask("read 0x40 2")).isEqualTo("ok 03ff");
  }

  private static Firmware.Target identified(String identity, long last) {
    return new Firmware.Target(
        "main",
        "U1",
        List.of(new Firmware.Region("flash", 0, last)),
        List.of(),
        128,
        0xff,
        0L,
        null,
        List.of("page"),
        new ChipFacts(ChipFacts.USUAL_BAUD, null, identity, List.of(), ChipFacts.NO_RESET));
  }

  @Test
  void theStartVectorsPageGoesLast() {
    Noisy link = new Noisy(request -> request);
    send(link, image(600));
    List<String> pages = link.asked.stream().filter(r -> r.startsWith("page")).toList();
    assertThat(pages.getLast()).startsWith("page 0x0 ");
    assertThat(pages).hasSize(5);
  }

  @Test
  void progressRisesToTheEnd() {
    List<Double> shares = new ArrayList<>();
    new Transfer(new SimulatedController(TARGET), TARGET)
        .send(image(700), shares::add, () -> false);
    assertThat(shares).isSorted().last().isEqualTo(1.0);
  }

  @Test
  void theBoardGuardsItsBootAreaAndItsLanguage() {
    SimulatedController board = new SimulatedController(TARGET);
    assertThat(board.ask("hello")).isEqualTo("ok humble-link/1 main page 128 simulated");
    assertThat(board.ask("erase 0x7e00 128")).isEqualTo("err boot area");
    assertThat(board.ask("read 0x7fff 2")).startsWith("err");
    assertThat(board.ask("page 0x0 00 00000000")).isEqualTo("err checksum");
    assertThat(board.ask("page 0x0")).isEqualTo("err request is not well formed");
    assertThat(board.ask("dance")).isEqualTo("err unknown request");
    assertThat(board.ask("start")).isEqualTo("err nothing to start");
    assertThat(board.ask("drive U1.1=high")).isEqualTo("err not started");
  }

  @Test
  void flashOnlyClearsBitsUntilItIsErased() {
    SimulatedController board = new SimulatedController(TARGET);
    assertThat(board.ask("page 0x0 0f 42ef1e21".replace("42ef1e21", crc(0x0f)))).isEqualTo("ok");
    assertThat(board.ask("page 0x0 f0 " + crc(0xf0))).isEqualTo("ok");
    assertThat(board.ask("read 0x0 1")).isEqualTo("ok 00");
    board.ask("erase 0x0 128");
    assertThat(board.ask("read 0x0 1")).isEqualTo("ok ff");
  }

  private static String crc(int value) {
    return String.format("%08x", SimulatedController.crcOf(new byte[] {(byte) value}, 0, 1));
  }

  private static String said(Transfer.Outcome.Failed failed) {
    return Words.core(Locale.ENGLISH).say(failed.why());
  }
}
