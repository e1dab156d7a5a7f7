<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Mailboxes;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Listing;

/** What callers said is mailed as text to an address that is not the customer's. */
final readonly class TranscriptAgainstPrivacy implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.transcript-against-privacy',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $domains = array_count_values(array_filter(
            array_map(
                static fn (User $user): string => strtolower(substr((string) strrchr((string) $user->email, '@'), 1)),
                $inspection->book->all(User::class),
            ),
            static fn (string $domain): bool => $domain !== '',
        ));
        $own = array_keys(array_filter($domains, static fn (int $people): bool => $people > 1));
        foreach ($own === [] ? [] : $inspection->book->all(Mailbox::class) as $mailbox) {
            $abroad = array_values(array_filter($mailbox->notify, static fn (string $mail): bool => ! in_array(
                strtolower(substr((string) strrchr($mail, '@'), 1)),
                array_map(strval(...), $own),
                true,
            )));
            if ($mailbox->transcribe && $abroad !== []) {
                yield Found::of(
                    ['mailbox' => $mailbox->name, 'address' => $abroad[0], 'own' => Listing::firstOf($own, 3)],
                    $mailbox,
                )->at('transcribe')->counting(count($abroad))
                    ->fixedBy(Fix::set('Do not write messages down there', $mailbox, 'transcribe', false));
            }
        }
    }
}
