package mezcla.web.shell;

import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The members of the house, as far as signing in goes. */
@Service
public class Members implements UserDetailsService {
    private final MemberMapper members;
    private final PasswordEncoder passwords;

    Members(MemberMapper members, PasswordEncoder passwords) {
        this.members = members;
        this.passwords = passwords;
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String signInName) {
        SignedIn member = members.named(signInName.strip());
        if (member == null) {
            throw new UsernameNotFoundException("no such member");
        }
        return member;
    }

    /** Adds a member; the password is kept as a hash only. */
    @Transactional
    public SignedIn add(String signInName, String name, String password, String role) {
        members.add(signInName, name, passwords.encode(password), role);
        return members.named(signInName);
    }
}
