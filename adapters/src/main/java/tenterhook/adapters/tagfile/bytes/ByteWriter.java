package tenterhook.adapters.tagfile.bytes;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Puts bytes together, one part after the other. */
public final class ByteWriter {
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteOrder order;

  /** A writer whose numbers have this order. */
  public ByteWriter(ByteOrder order) {
    this.order = order;
  }

  /** A writer whose numbers have their big end first. */
  public static ByteWriter bigEnd() {
    return new ByteWriter(ByteOrder.BIG_ENDIAN);
  }

  /** A writer whose numbers have their little end first. */
  public static ByteWriter littleEnd() {
    return new ByteWriter(ByteOrder.LITTLE_ENDIAN);
  }

  /** Letters of Latin-1, one byte each. */
  public ByteWriter letters(String text) {
    return bytes(text.getBytes(StandardCharsets.ISO_8859_1));
  }

  /** Bytes as they are. */
  public ByteWriter bytes(byte[] bytes) {
    out.writeBytes(bytes);
    return this;
  }

  /** The low 8 bits. */
  public ByteWriter int8(int number) {
    out.write(number);
    return this;
  }

  /** 32 bits. */
  public ByteWriter int32(long number) {
    return bytes(ByteBuffer.allocate(4).order(order).putInt((int) number).array());
  }

  /** Zeros. */
  public ByteWriter zeros(int count) {
    return bytes(new byte[count]);
  }

  /** How many bytes there are by now. */
  public int size() {
    return out.size();
  }

  /** All of it. */
  public byte[] toBytes() {
    return out.toByteArray();
  }
}
