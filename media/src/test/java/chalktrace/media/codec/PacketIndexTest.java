package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.media.codec.PacketIndex.Packet;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PacketIndexTest {

    private static final double UNIT = 1.0 / 24;

    private static Packet packet(long seen, long decoded, boolean key) {
        return new Packet(seen, decoded, 1, decoded * 100, key, false);
    }

    /** I P B B P B B with an open group: I6' comes before two pictures that are seen before it. */
    private static List<Packet> openGroups() {
        return List.of(
                packet(0, -1, true),
                packet(3, 0, false),
                packet(1, 1, false),
                packet(2, 2, false),
                packet(6, 3, true),
                packet(4, 4, false),
                packet(5, 5, false),
                packet(7, 6, false));
    }

    @Test
    void picturesAreInTheOrderInWhichTheyAreSeen() {
        PacketIndex index = PacketIndex.fromTimes(openGroups(), UNIT, UNIT, false);
        assertThat(index.pictures()).isEqualTo(8);
        assertThat(index.packetOf(1)).isEqualTo(2);
        assertThat(index.packetOf(3)).isEqualTo(1);
        assertThat(index.pictureOf(4)).isEqualTo(6);
        for (int n = 0; n < 8; n++) {
            assertThat(index.showing().times().seconds(n)).isCloseTo(n * UNIT, within(1e-9));
        }
    }

    @Test
    void picturesThatLeanOnTheGroupBeforeAreReachedFromItsKey() {
        PacketIndex index = PacketIndex.fromTimes(openGroups(), UNIT, UNIT, false);
        assertThat(index.startFor(6)).isEqualTo(4);
        assertThat(index.startFor(7)).isEqualTo(4);
        assertThat(index.startFor(4)).as("seen before the key that it follows").isZero();
        assertThat(index.startFor(5)).isZero();
    }

    @Test
    void timesThatStartAgainGoOnEvenWithoutAKeyAndOneWrongTimeIsNoNewStart() {
        List<Packet> packets = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            packets.add(packet(i % 25, i % 25, i == 0));
        }
        PacketIndex index = PacketIndex.fromTimes(packets, UNIT, UNIT, false);
        for (int n = 0; n < 40; n++) {
            assertThat(index.packetOf(n)).isEqualTo(n);
            assertThat(index.showing().times().seconds(n)).isCloseTo(n * UNIT, within(1e-9));
        }
        packets.clear();
        for (int i = 0; i < 40; i++) {
            packets.add(packet(i == 30 ? 2 : i, i == 30 ? 2 : i, i == 0));
        }
        PacketIndex wrong = PacketIndex.fromTimes(packets, UNIT, UNIT, false);
        assertThat(wrong.showing().times().seconds(39)).isCloseTo(39 * UNIT, within(1e-9));
    }

    @Test
    void packetsThatAreNeverSeenAreNoPictures() {
        List<Packet> packets = new ArrayList<>(openGroups());
        packets.set(1, new Packet(3, 0, 1, 0, false, true));
        PacketIndex index = PacketIndex.fromTimes(packets, UNIT, UNIT, false);
        assertThat(index.pictures()).isEqualTo(7);
        assertThat(index.pictureOf(1)).isEqualTo(-1);
    }

    @Test
    void aPacketMetAgainIsKnown() {
        PacketIndex index = PacketIndex.fromTimes(openGroups(), UNIT, UNIT, false);
        assertThat(index.find(packet(6, 3, true))).isEqualTo(4);
        assertThat(index.find(packet(6, 99, true))).isEqualTo(-1);
    }

    @Test
    void timesThatAreLeftOutFollowTheOrderOfDecoding() {
        // As an MPEG program stream has it: only some pictures say when they are seen.
        List<Packet> packets = List.of(
                packet(PacketIndex.UNKNOWN, 10, true),
                packet(PacketIndex.UNKNOWN, 11, false),
                packet(12, 12, false),
                packet(13, 13, false));
        PacketIndex index = PacketIndex.fromDecoding(packets, new int[] {0, 2, 3, 1}, UNIT, UNIT, false);
        assertThat(index.showing().firstSeen())
                .as("a frame after it is decoded")
                .isEqualTo(11);
        for (int n = 0; n < 4; n++) {
            assertThat(index.showing().times().seconds(n)).isCloseTo(n * UNIT, within(1e-9));
        }
        assertThat(PacketIndex.fromDecoding(packets, new int[] {0, 2, 3, 1}, UNIT, UNIT, true)
                        .showing()
                        .firstSeen())
                .as("AVI")
                .isEqualTo(10);
    }

    @Test
    void timesThatRunBackOrRepeatAreMadeToRise() {
        List<Packet> packets =
                List.of(packet(0, 0, true), packet(0, 1, false), packet(1, 2, false), packet(1, 3, false));
        PacketIndex index = PacketIndex.fromTimes(packets, UNIT, UNIT, false);
        for (int n = 1; n < 4; n++) {
            assertThat(index.showing().times().seconds(n))
                    .isGreaterThan(index.showing().times().seconds(n - 1));
        }
    }
}
