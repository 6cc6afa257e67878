package chalktrace.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "chalktrace.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreArchitectureTest {

    @ArchTest
    static final ArchRule coreNeedsNothingOfOurs = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("chalktrace.media..", "chalktrace.app..", "chalktrace.demo..");

    @ArchTest
    static final ArchRule coreKnowsNoWindowNoCodecsAndNoFiles = noClasses()
            .that()
            .resideOutsideOfPackage("chalktrace.core.testing..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx..", "org.bytedeco..", "java.nio.file..")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.io.File");

    @ArchTest
    static final ArchRule packagesFormNoCycle =
            slices().matching("chalktrace.core.(**)").should().beFreeOfCycles();
}
