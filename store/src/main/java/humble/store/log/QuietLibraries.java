package humble.store.log;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.core.spi.ContextAwareBase;
import org.slf4j.Logger;

/**
 * Keeps what libraries log for their own makers off the screen: without this it would stand between
 * the lines that a command prints. Found by the logging library as a service.
 */
public final class QuietLibraries extends ContextAwareBase implements Configurator {
  @Override
  public ExecutionStatus configure(LoggerContext context) {
    context.getLogger(Logger.ROOT_LOGGER_NAME).setLevel(Level.OFF);
    return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
  }
}
