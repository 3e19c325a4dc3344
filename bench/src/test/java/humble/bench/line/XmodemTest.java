package humble.bench.line;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class XmodemTest {
  private static byte[] bytes(int length) {
    byte[] bytes = new byte[length];
    new Random(length).nextBytes(bytes);
    return bytes;
  }

  private static XmodemReceiver.Outcome passed(
      byte[] bytes,
      boolean longBlocks,
      UnaryOperator<byte[]> there,
      UnaryOperator<byte[]> back,
      XmodemSender.Outcome[] sent)
      throws InterruptedException, ExecutionException, TimeoutException {
    Pipe pipe = new Pipe();
    try (var threads = Executors.newSingleThreadExecutor()) {
      Future<XmodemReceiver.Outcome> taken =
          threads.submit(() -> new XmodemReceiver(pipe.b(back), 300, 1 << 20).take(() -> false));
      sent[0] =
          new XmodemSender(pipe.a(there), longBlocks, 5_000, 1_000)
              .send(bytes, share -> {}, () -> false);
      return taken.get(30, TimeUnit.SECONDS);
    }
  }

  @ParameterizedTest
  @CsvSource({"1,false", "128,false", "129,true", "1024,true", "5000,true", "40000,true"})
  void whatIsSentIsTakenAndPadded(int length, boolean longBlocks) throws Exception {
    byte[] bytes = bytes(length);
    XmodemSender.Outcome[] sent = new XmodemSender.Outcome[1];
    XmodemReceiver.Outcome taken = passed(bytes, longBlocks, b -> b, b -> b, sent);
    assertThat(sent[0]).isEqualTo(new XmodemSender.Outcome.Sent(length, 0, true));
    byte[] got = ((XmodemReceiver.Outcome.Taken) taken).bytes();
    assertThat(Arrays.copyOf(got, length)).isEqualTo(bytes);
    assertThat(got.length % 128).isZero();
    for (int i = length; i < got.length; i++) {
      assertThat(got[i]).isEqualTo(Xmodem.PAD);
    }
  }

  @Test
  void damagedBlocksAreSentAgain() throws Exception {
    byte[] bytes = bytes(3000);
    AtomicInteger written = new AtomicInteger();
    UnaryOperator<byte[]> noise =
        block -> {
          byte[] passed = block.clone();
          if (block.length > 100 && written.incrementAndGet() % 3 == 0) {
            passed[50] ^= 4;
          }
          return passed;
        };
    XmodemSender.Outcome[] sent = new XmodemSender.Outcome[1];
    XmodemReceiver.Outcome taken = passed(bytes, false, noise, b -> b, sent);
    assertThat(sent[0])
        .isInstanceOfSatisfying(
            XmodemSender.Outcome.Sent.class, s -> assertThat(s.retries()).isGreaterThan(5));
    assertThat(Arrays.copyOf(((XmodemReceiver.Outcome.Taken) taken).bytes(), 3000))
        .isEqualTo(bytes);
  }

  @Test
  void aLostAnswerDoesNotDoubleABlock() throws Exception {
    byte[] bytes = bytes(1000);
    AtomicInteger answers = new AtomicInteger();
    UnaryOperator<byte[]> deaf =
        answer -> answer[0] == Xmodem.ACK && answers.incrementAndGet() == 3 ? new byte[0] : answer;
    XmodemSender.Outcome[] sent = new XmodemSender.Outcome[1];
    XmodemReceiver.Outcome taken = passed(bytes, false, b -> b, deaf, sent);
    assertThat(((XmodemSender.Outcome.Sent) sent[0]).retries()).isEqualTo(1);
    byte[] got = ((XmodemReceiver.Outcome.Taken) taken).bytes();
    assertThat(got).hasSize(1024);
    assertThat(Arrays.copyOf(got, 1000)).isEqualTo(bytes);
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void aReceiverThatAsksForTheChecksumGetsIt(boolean longBlocks) throws Exception {
    // All that asks for the CRC is lost on the way, as with a receiver that does not know it.
    UnaryOperator<byte[]> old = asked -> asked[0] == Xmodem.WANTS_CRC ? new byte[0] : asked;
    byte[] bytes = bytes(2000);
    XmodemSender.Outcome[] sent = new XmodemSender.Outcome[1];
    AtomicInteger longest = new AtomicInteger();
    UnaryOperator<byte[]> there =
        block -> {
          longest.accumulateAndGet(block.length, Math::max);
          return block;
        };
    XmodemReceiver.Outcome taken = passed(bytes, longBlocks, there, old, sent);
    assertThat(Arrays.copyOf(((XmodemReceiver.Outcome.Taken) taken).bytes(), 2000))
        .isEqualTo(bytes);
    assertThat(longest).hasValue(3 + 128 + 1);
  }

  @Test
  void nobodyThereIsSaidAndSoIsACutLine() {
    Pipe pipe = new Pipe();
    XmodemSender.Outcome none =
        new XmodemSender(pipe.a(), false, 300, 100).send(bytes(10), share -> {}, () -> false);
    assertThat(said(none)).contains("No receiver");
    pipe.cut();
    assertThat(
            said(
                new XmodemSender(pipe.a(), false, 300, 100)
                    .send(bytes(10), share -> {}, () -> false)))
        .contains("cut");
  }

  private static String said(XmodemSender.Outcome outcome) {
    return Words.core(Locale.ENGLISH).say(((XmodemSender.Outcome.Failed) outcome).why());
  }

  @Test
  void cancellingTellsTheReceiver() throws Exception {
    Pipe pipe = new Pipe();
    AtomicInteger asked = new AtomicInteger();
    try (var threads = Executors.newSingleThreadExecutor()) {
      Future<XmodemReceiver.Outcome> taken =
          threads.submit(() -> new XmodemReceiver(pipe.b(), 500, 1 << 20).take(() -> false));
      XmodemSender.Outcome sent =
          new XmodemSender(pipe.a(), false, 5_000, 1_000)
              .send(bytes(4000), share -> asked.incrementAndGet(), () -> asked.get() > 5);
      assertThat(sent).isInstanceOf(XmodemSender.Outcome.Cancelled.class);
      assertThat(taken.get(20, TimeUnit.SECONDS))
          .isInstanceOfSatisfying(
              XmodemReceiver.Outcome.Failed.class,
              failed ->
                  assertThat(Words.core(Locale.ENGLISH).say(failed.why()))
                      .contains("called it off"));
    }
  }

  @Test
  void moreThanIsTakenIsRefused() throws Exception {
    Pipe pipe = new Pipe();
    try (var threads = Executors.newSingleThreadExecutor()) {
      Future<XmodemReceiver.Outcome> taken =
          threads.submit(() -> new XmodemReceiver(pipe.b(), 500, 256).take(() -> false));
      XmodemSender.Outcome sent =
          new XmodemSender(pipe.a(), false, 5_000, 1_000)
              .send(bytes(4000), share -> {}, () -> false);
      assertThat(sent).isInstanceOf(XmodemSender.Outcome.Failed.class);
      assertThat(taken.get(20, TimeUnit.SECONDS)).isInstanceOf(XmodemReceiver.Outcome.Failed.class);
    }
  }
}
