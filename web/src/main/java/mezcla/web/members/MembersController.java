package mezcla.web.members;

import java.util.function.Consumer;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The room of members. */
@Controller
class MembersController {
    private final MembersService service;
    private final Members members;
    private final MemberPages pages;
    private final OneTimeForms forms;

    MembersController(MembersService service, Members members, MemberPages pages, OneTimeForms forms) {
        this.service = service;
        this.members = members;
        this.pages = pages;
        this.forms = forms;
    }

    /** Somebody new. */
    @RefusedAt("signInName")
    record MemberForm(
            @Takes(most = 40) String name,
            @Takes(asTyped = true) String signInName,
            @Takes(asTyped = true) String password,
            boolean steward) {}

    /** What somebody is called now. */
    @RefusedAt("signInName")
    record NameForm(@Takes(most = 40) String name, @Takes(asTyped = true) String signInName) {}

    /** Another password. */
    record PasswordForm(@Takes(asTyped = true) String password) {}

    /** Whether somebody is a steward. */
    @RefusedAt("role")
    record RoleForm(boolean steward) {}

    /** Somebody leaves. */
    @RefusedAt("role")
    record LeavingForm() {}

    /** The name of somebody who left becomes a number. */
    @RefusedAt("former")
    record NumberForm() {}

    @GetMapping("/house/members")
    ModelAndView everybody(@AuthenticationPrincipal SignedIn who) {
        return everybody(who, Sent.nothing());
    }

    private ModelAndView everybody(SignedIn who, Sent<?> sent) {
        return PageView.of("members/members", pages.everybody(who), sent);
    }

    @GetMapping("/house/members/{id}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView one(@PathVariable long id, @AuthenticationPrincipal SignedIn who) {
        return one(who, id, Sent.nothing());
    }

    private ModelAndView one(SignedIn who, long id, Sent<?> sent) {
        return PageView.of("members/member", pages.one(who, id, sent.typed()), sent);
    }

    @PostMapping("/house/members")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(Sent<MemberForm> sent, @AuthenticationPrincipal SignedIn who) {
        return forms.answer(
                sent,
                "/house/members?saved",
                form -> service.add(who, form.name(), form.signInName().strip(), form.password(), form.steward()),
                () -> everybody(who, sent));
    }

    @PostMapping("/house/members/{id}/name")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView rename(@PathVariable long id, Sent<NameForm> sent, @AuthenticationPrincipal SignedIn who) {
        return changed(
                who,
                id,
                sent,
                form -> members.rename(who, id, form.name(), form.signInName().strip()));
    }

    @PostMapping("/house/members/{id}/password")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView resetPassword(@PathVariable long id, Sent<PasswordForm> sent, @AuthenticationPrincipal SignedIn who) {
        return changed(who, id, sent, form -> service.resetPassword(who, id, form.password()));
    }

    @PostMapping("/house/members/{id}/role")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView setRole(@PathVariable long id, Sent<RoleForm> sent, @AuthenticationPrincipal SignedIn who) {
        return changed(who, id, sent, form -> members.setRole(who, id, form.steward()));
    }

    private <F extends Record> ModelAndView changed(SignedIn who, long id, Sent<F> sent, Consumer<F> act) {
        return forms.answer(sent, "/house/members/" + id + "?saved", act, () -> one(who, id, sent));
    }

    @PostMapping("/house/members/{id}/leave")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView leave(@PathVariable long id, Sent<LeavingForm> sent, @AuthenticationPrincipal SignedIn who) {
        return forms.answer(
                sent, "/house/members?left#former", form -> members.leave(who, id), () -> one(who, id, sent));
    }

    @PostMapping("/house/members/{id}/number")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView becomeNumber(@PathVariable long id, Sent<NumberForm> sent, @AuthenticationPrincipal SignedIn who) {
        return forms.answer(
                sent,
                "/house/members?numbered#former",
                form -> members.becomeNumber(who, id),
                () -> everybody(who, sent));
    }
}
