package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The ways of naming are common practice of motion capture and of modelling; the lists are from memory. */
class JointNamesTest {

    private static final Model LENDER = named(
            "Hips",
            "LeftUpLeg<Hips",
            "LeftLeg<LeftUpLeg",
            "LeftFoot<LeftLeg",
            "LeftToeBase<LeftFoot",
            "RightUpLeg<Hips",
            "RightLeg<RightUpLeg",
            "RightFoot<RightLeg",
            "Spine<Hips",
            "Spine1<Spine",
            "Spine2<Spine1",
            "Neck<Spine2",
            "Head<Neck",
            "LeftShoulder<Spine2",
            "LeftArm<LeftShoulder",
            "LeftForeArm<LeftArm",
            "LeftHand<LeftForeArm",
            "LeftHandIndex1<LeftHand",
            "LeftHandIndex2<LeftHandIndex1",
            "RightShoulder<Spine2",
            "RightArm<RightShoulder",
            "RightForeArm<RightArm",
            "RightHand<RightForeArm");

    /** Each "name" or "name<parent". */
    private static Model named(String... joints) {
        StickFigure figure = new StickFigure();
        Map<String, Integer> places = new HashMap<>();
        for (String joint : joints) {
            String[] parts = joint.split("<");
            figure.add(parts[0], parts.length == 1 ? -1 : places.get(parts[1]), new Point3(0, 1, 0));
            places.put(parts[0], places.size());
        }
        return figure.model(List.of(), List.of());
    }

    private static Map<String, String> match(Model own) {
        return JointNames.match(own, LENDER).stream().collect(Collectors.toMap(JointPair::joint, JointPair::from));
    }

    @Test
    void equalNamesBelongTogetherAllOfThem() {
        List<JointPair> pairs = JointNames.match(LENDER, LENDER);
        assertThat(pairs).hasSize(LENDER.nodes().size()).allMatch(pair -> pair.joint()
                .equals(pair.from()));
    }

    @Test
    void sidesAtTheEndAndPartsByOtherWords() {
        Map<String, String> pairs = match(named(
                "rig:pelvis",
                "rig:spine_01<rig:pelvis",
                "rig:spine_02<rig:spine_01",
                "rig:neck_01<rig:spine_02",
                "rig:head<rig:neck_01",
                "rig:clavicle_l<rig:spine_02",
                "rig:upperarm_l<rig:clavicle_l",
                "rig:lowerarm_l<rig:upperarm_l",
                "rig:hand_l<rig:lowerarm_l",
                "rig:index_01_l<rig:hand_l",
                "rig:thigh_r<rig:pelvis",
                "rig:calf_r<rig:thigh_r",
                "rig:foot_r<rig:calf_r"));
        assertThat(pairs)
                .containsEntry("rig:pelvis", "Hips")
                .containsEntry("rig:spine_01", "Spine")
                .containsEntry("rig:spine_02", "Spine2")
                .containsEntry("rig:clavicle_l", "LeftShoulder")
                .containsEntry("rig:upperarm_l", "LeftArm")
                .containsEntry("rig:lowerarm_l", "LeftForeArm")
                .containsEntry("rig:hand_l", "LeftHand")
                .containsEntry("rig:index_01_l", "LeftHandIndex1")
                .containsEntry("rig:thigh_r", "RightUpLeg")
                .containsEntry("rig:calf_r", "RightLeg")
                .containsEntry("rig:foot_r", "RightFoot")
                .hasSize(13);
    }

    @Test
    void whatAWordMeansDependsOnTheOthers() {
        Map<String, String> pairs = match(named(
                "Root",
                "LeftHip<Root",
                "LeftKnee<LeftHip",
                "LeftAnkle<LeftKnee",
                "RightHip<Root",
                "RightKnee<RightHip",
                "Chest<Root",
                "LeftCollar<Chest",
                "LeftShoulder<LeftCollar",
                "LeftElbow<LeftShoulder",
                "LeftWrist<LeftElbow"));
        assertThat(pairs)
                .containsEntry("Root", "Hips")
                .containsEntry("LeftHip", "LeftUpLeg")
                .containsEntry("LeftKnee", "LeftLeg")
                .containsEntry("LeftAnkle", "LeftFoot")
                .containsEntry("Chest", "Spine2")
                .containsEntry("LeftCollar", "LeftShoulder")
                .containsEntry("LeftShoulder", "LeftArm")
                .containsEntry("LeftElbow", "LeftForeArm")
                .containsEntry("LeftWrist", "LeftHand");
    }

    @Test
    void jointsAreListedLimbByLimb() {
        Model model =
                named("hips", "left thigh<hips", "right thigh<hips", "left shin<left thigh", "right shin<right thigh");
        assertThat(JointNames.of(model))
                .containsExactly("hips", "left thigh", "left shin", "right thigh", "right shin");
    }

    @Test
    void noJointIsLentTwiceAndEndsAreNoJoints() {
        List<String> joints = new ArrayList<>(List.of("hips", "head<hips", "head_end<head", "HeadTop_End<head"));
        for (int i = 0; i < 9; i++) {
            joints.add("spine" + i + "<hips");
        }
        List<JointPair> pairs = JointNames.match(named(joints.toArray(String[]::new)), LENDER);
        assertThat(pairs).extracting(JointPair::from).doesNotHaveDuplicates();
        assertThat(pairs).extracting(JointPair::joint).doesNotContain("head_end", "HeadTop_End");
        assertThat(pairs)
                .contains(new JointPair("spine0", "Spine"), new JointPair("spine8", "Spine2"))
                .hasSize(5);
    }
}
