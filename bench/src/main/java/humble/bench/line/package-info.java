/**
 * Lines to real boards: serial ports, drives, a programmer of one's own.
 *
 * <ul>
 *   <li>{@link humble.bench.line.ByteLine} is bytes to and fro with two control lines, {@link
 *       humble.bench.line.SerialPorts} the only place that knows the library for ports.
 *   <li>{@link humble.bench.line.LineLink} makes of it the line of requests and answers of the link
 *       protocol; {@link humble.bench.line.XmodemSender} and {@link
 *       humble.bench.line.XmodemReceiver} speak XMODEM over it.
 *   <li>{@link humble.bench.line.BoardDrive} is a drive that a board shows, {@link
 *       humble.bench.line.OwnProgrammer} a command of the maker's own, never run by a shell.
 *   <li><b>Limits.</b> Speed and control lines were tried on recordings and pseudo-terminals alone,
 *       which ignore both.
 * </ul>
 */
@NullMarked
package humble.bench.line;

import org.jspecify.annotations.NullMarked;
