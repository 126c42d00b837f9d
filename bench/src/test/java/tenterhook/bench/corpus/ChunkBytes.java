package tenterhook.bench.corpus;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** Writes WAV files (RIFF, 1991; RF64, EBU Tech 3306) and AIFF files (1989, AIFF-C 1991). */
record ChunkBytes(ByteOrder order) {
  static final ChunkBytes WAV = new ChunkBytes(ByteOrder.LITTLE_ENDIAN);
  static final ChunkBytes AIFF = new ChunkBytes(ByteOrder.BIG_ENDIAN);

  byte[] chunk(String id, byte[] content) {
    return TagBytes.joined(
        VorbisBytes.line(id), int32(content.length), content, new byte[content.length & 1]);
  }

  byte[] int32(int number) {
    return ByteBuffer.allocate(4).order(order).putInt(number).array();
  }

  /** A text of the INFO list, with the zero at its end. */
  byte[] info(String id, byte[] text) {
    return chunk(id, TagBytes.joined(text, new byte[1]));
  }

  byte[] list(String kind, byte[] content) {
    return chunk("LIST", TagBytes.joined(VorbisBytes.line(kind), content));
  }

  byte[] format() {
    ByteBuffer out = ByteBuffer.allocate(16).order(order);
    out.putShort((short) 1).putShort((short) 2).putInt(44_100).putInt(176_400);
    return chunk("fmt ", out.putShort((short) 4).putShort((short) 16).array());
  }

  byte[] wav(byte[]... chunks) {
    byte[] all = TagBytes.joined(chunks);
    return TagBytes.joined(
        VorbisBytes.line("RIFF"), int32(4 + all.length), VorbisBytes.line("WAVE"), all);
  }

  /** A file for more than 4 GB, which this one is not. */
  byte[] large(byte[] sound, byte[]... behind) {
    byte[] rest = TagBytes.joined(behind);
    long length = 4 + 36 + 24 + 8 + sound.length + rest.length;
    ByteBuffer sizes = ByteBuffer.allocate(28).order(order);
    sizes.putLong(length).putLong(sound.length).putLong(sound.length / 4);
    return TagBytes.joined(
        VorbisBytes.line("RF64"),
        int32(-1),
        VorbisBytes.line("WAVE"),
        chunk("ds64", sizes.array()),
        format(),
        VorbisBytes.line("data"),
        int32(-1),
        sound,
        rest);
  }

  /** What an AIFF file says of its sound: 44,100 Hz, two channels, 16 bits. */
  byte[] common(int frames, boolean compressed) {
    ByteBuffer out = ByteBuffer.allocate(compressed ? 38 : 18).order(order);
    out.putShort((short) 2).putInt(frames).putShort((short) 16);
    out.putShort((short) 0x400E).putLong(0xAC44000000000000L);
    if (compressed) {
      out.put(VorbisBytes.line("NONE")).put((byte) 14).put(VorbisBytes.line("not compressed"));
    }
    return chunk("COMM", out.array());
  }

  byte[] aiff(String kind, byte[]... chunks) {
    byte[] all = TagBytes.joined(chunks);
    return TagBytes.joined(
        VorbisBytes.line("FORM"), int32(4 + all.length), VorbisBytes.line(kind), all);
  }

  byte[] sound(byte[] samples) {
    return chunk("SSND", TagBytes.joined(new byte[8], samples));
  }
}
