package org.opensatchel.web.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInView;

/** Every fault planted in the demo class is found, and nothing else; every clean project is clean. */
class DemoTruthTest extends RunningApplication {

    @Test
    void plantedFaultsAgainstFound() throws IOException {
        AssignmentView market = market();
        Map<Long, HandInView> latest = handIns.counting(market);
        TreeSet<String> outcomes = new TreeSet<>();
        for (DemoHandIns.Planted planted : DemoHandIns.all()) {
            String login = DemoRoster.PEOPLE.get(planted.student()).login();
            long account = accounts.loadUserByUsername(login).accountId();
            Report report = ReportJson.read(handIns.reportJson(handIns.show(first(latest, account, market), account)).readAllBytes());
            assertThat(report.findings().stream().map(FindingLine::code).sorted().toList()).as(login).isEqualTo(planted.expected());
            report.links().forEach(link -> outcomes.add(link.outcome()));
        }
        assertThat(outcomes).containsExactlyInAnyOrder("ok", "pinned", "misspelt", "moved", "outside", "missing", "remote", "unknown",
                "embedded");
        assertThat(DemoHandIns.all().stream().filter(planted -> planted.expected().isEmpty())).as("clean projects").hasSize(3);
    }

    /** The hand-in of the demo: later tests may have handed in again. */
    private long first(Map<Long, HandInView> latest, long account, AssignmentView market) {
        List<HandInView> own = handIns.ofStudent(courses.forStudent(market.id(), account));
        boolean twice = own.get(0).number() > 1 && DemoRoster.PEOPLE.get(15).login().equals(login(account));
        return twice ? own.stream().filter(one -> one.number() == 2).findFirst().orElseThrow().id() : own.get(own.size() - 1).id();
    }

    private String login(long account) {
        return DemoRoster.PEOPLE.stream().map(DemoRoster.Person::login)
                .filter(login -> accounts.loadUserByUsername(login).accountId() == account).findFirst().orElse("");
    }
}
