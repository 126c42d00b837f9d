package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.Padding;

/**
 * Puts a list of items into a file. It takes what is free around the old one; else what is free
 * behind the description of the movie; else sound behind it moves, and the sample tables follow.
 */
final class Mp4Rewrite {
  private static final int HEAD = 8;
  private static final int PLACE_SAID = 1;

  private final FileBytes in;
  private final List<Mp4Box> boxes;
  private final MetadataPlace place;

  Mp4Rewrite(FileBytes in, List<Mp4Box> boxes, MetadataPlace place) {
    this.in = in;
    this.boxes = boxes;
    this.place = place;
  }

  /**
   * The parts of the file that change.
   *
   * @param items the content of the list
   * @throws Malformed when the file cannot hold it
   * @throws IOException when it cannot be read
   */
  List<Splice> splices(byte[] items) throws IOException {
    byte[] list = Mp4Item.box("ilst", items);
    long left = place.space().length() - list.length;
    if (place.list().isPresent() && left == 0) {
      return List.of(spliced(list));
    }
    if (place.list().isPresent() && left >= HEAD && Padding.keeps(left - HEAD)) {
      return List.of(spliced(joined(list, free(left - HEAD))));
    }
    byte[] made = joined(list, free(Padding.FRESH));
    List<Splice> splices = new ArrayList<>();
    Splice grown = spliced(wrapped(made));
    splices.add(grown);
    for (Mp4Box parent : place.parents()) {
      resized(parent, grown.growth()).ifPresent(splices::add);
    }
    if (!taken(grown.growth(), splices)) {
      moveSound(grown.growth(), splices);
    }
    return splices;
  }

  private Splice spliced(byte[] bytes) {
    return new Splice(place.space().from(), place.space().to(), bytes);
  }

  private static byte[] joined(byte[] first, byte[] second) {
    return ByteWriter.bigEnd().bytes(first).bytes(second).toBytes();
  }

  private static byte[] free(long content) {
    return Mp4Item.box("free", new byte[(int) content]);
  }

  /** The list inside the parents that are missing. */
  private byte[] wrapped(byte[] list) {
    int there = place.parents().size();
    byte[] made = list;
    if (there < 3) {
      byte[] handler = ByteWriter.bigEnd().zeros(8).letters("mdirappl").zeros(9).toBytes();
      made =
          Mp4Item.box(
              "meta",
              ByteWriter.bigEnd()
                  .zeros(4)
                  .bytes(Mp4Item.box("hdlr", handler))
                  .bytes(made)
                  .toBytes());
    }
    return there < 2 ? Mp4Item.box("udta", made) : made;
  }

  /** The size in a parent's head; one that goes to the end of the file says none. */
  private Optional<Splice> resized(Mp4Box box, long growth) throws IOException {
    long said = Integer.toUnsignedLong(in.buffer(box.at(), 4).getInt());
    if (said == 0) {
      return Optional.empty();
    }
    long next = box.length() + growth;
    if (said == 1) {
      byte[] size = ByteBuffer.allocate(8).putLong(next).array();
      return Optional.of(new Splice(box.at() + HEAD, box.at() + HEAD + 8, size));
    }
    if (next > 0xFFFFFFFFL) {
      throw new Malformed("its metadata would be larger than its format allows");
    }
    return Optional.of(
        new Splice(box.at(), box.at() + 4, ByteBuffer.allocate(4).putInt((int) next).array()));
  }

  /** Whether what is free right behind the description of the movie makes up for the growth. */
  private boolean taken(long growth, List<Splice> splices) {
    Mp4Box movie = place.parents().getFirst();
    for (Mp4Box box : boxes) {
      boolean free = box.type().equals("free") || box.type().equals("skip");
      long left = box.length() - growth;
      boolean enough = left == 0 || left >= HEAD && (growth > 0 || Padding.keeps(left));
      if (box.at() == movie.to() && free && enough) {
        byte[] rest = left == 0 ? new byte[0] : free(left - HEAD);
        splices.add(new Splice(box.at(), box.to(), rest));
        return true;
      }
    }
    return false;
  }

  private void moveSound(long growth, List<Splice> splices) throws IOException {
    long from = place.space().to();
    for (Mp4Box box : boxes) {
      if (box.at() >= from && saysPlaces(box)) {
        throw new Malformed("it is kept in fragments, whose places in the file cannot be moved");
      }
    }
    for (Mp4Box table : SampleTables.tables(in)) {
      for (Mp4Box box : table.children(in, 0)) {
        if (box.type().equals("stco")) {
          splices.add(moved(box, 4, from, growth));
        } else if (box.type().equals("co64")) {
          splices.add(moved(box, 8, from, growth));
        }
      }
    }
  }

  /**
   * Whether a fragment says where it stands in the file, or a list of fragments where they do; most
   * say it by the place of the fragment itself (ISO 14496-12, 8.8.7), and may move.
   */
  private boolean saysPlaces(Mp4Box box) throws IOException {
    if (box.type().equals("moof")) {
      for (Mp4Box track : box.children(in, 0)) {
        Optional<Mp4Box> head =
            track.type().equals("traf") ? track.child(in, "tfhd") : Optional.empty();
        if (head.isPresent() && (in.buffer(head.get().from(), 4).getInt() & PLACE_SAID) != 0) {
          return true;
        }
      }
    }
    return box.type().equals("mfra");
  }

  /** A table of places in which those behind the change have moved. */
  private Splice moved(Mp4Box box, int width, long from, long growth) throws IOException {
    long count = Integer.toUnsignedLong(in.buffer(box.from() + 4, 4).getInt());
    long room = (box.to() - box.from() - HEAD) / width;
    byte[] bytes = in.read(box.from() + HEAD, width * Math.min(count, room));
    ByteBuffer table = ByteBuffer.wrap(bytes);
    for (int at = 0; at < bytes.length; at += width) {
      long offset = width == 4 ? Integer.toUnsignedLong(table.getInt(at)) : table.getLong(at);
      long next = offset >= from ? offset + growth : offset;
      if (width == 4 && next > 0xFFFFFFFFL) {
        throw new Malformed("its sound would lie further back than its tables can say");
      }
      if (width == 4) {
        table.putInt(at, (int) next);
      } else {
        table.putLong(at, next);
      }
    }
    return new Splice(box.from() + HEAD, box.from() + HEAD + bytes.length, bytes);
  }
}
