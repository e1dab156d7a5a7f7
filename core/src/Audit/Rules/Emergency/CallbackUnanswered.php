<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;

/** The number shown to emergency services leads to a greeting. */
final readonly class CallbackUnanswered implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-unanswered',
            Severity::Error,
            'The number shown to emergency services leads to a greeting, a menu, a mailbox or an announcement.',
            'A dispatcher who calls back must reach a person at once.',
            'Show a number that rings people.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $number = $inspection->find($site->emergency->callback, Number::class);
            $to = $number?->destination?->object;
            if ($number === null || ! in_array($to?->kind, [Kind::Attendant, Kind::Menu, Kind::Mailbox, Kind::Announcement], true)) {
                continue;
            }
            $better = array_values(array_filter($inspection->book->all(Number::class), static fn (Number $each): bool => $each->status === NumberStatus::Active && $each->enabled && (string) $each->site === (string) Reference::of($site) && in_array($each->destination?->object?->kind, [Kind::Group, Kind::User], true)));
            yield Finding::of($this->about(), "{$site->name}: who calls back after an emergency call meets {$inspection->name($to)}", "{$inspection->name($number)} is shown, and leads there.", $site, $number)->at('emergency/callback')
                ->fixedBy($better === [] ? null : Fix::set("Show {$inspection->name($better[0])}, which rings {$inspection->name($better[0]->destination)}", $site, 'emergency/callback', (string) Reference::of($better[0])));
        }
    }

    public function samples(): Samples
    {
        $number = static fn (string $key, string $to): array => ['key' => $key, 'destination' => $to, 'site' => 'site:quay'];
        $site = static fn (string $shown): array => ['key' => 'quay', 'name' => 'Quay End', 'address' => ['street' => '4 Quay End', 'city' => 'Port Merrow'], 'emergency' => ['callback' => "number:{$shown}"]];
        $numbers = [$number(Samples::NUMBER, 'mailbox:desk'), $number('+19025550151', 'user:a')];

        return Samples::of(['mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'users' => [['key' => 'a', 'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']]]], 'numbers' => $numbers, 'sites' => [$site('+19025550151')]], ['sites' => [$site(Samples::NUMBER)]]);
    }
}
