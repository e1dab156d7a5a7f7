<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;

/** Help services that call back hear a recording before anybody rings. */
final readonly class CallbackGreeted implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-greeted',
            Severity::Warning,
            'The number shown to help services plays a greeting, a menu or an announcement before anybody rings.',
            'A dispatcher who calls back must reach a person at once, and presses no keys.',
            'Show a number that rings people without a word before.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $heard = $shown->heard();
            if ($shown->unanswered !== [] || $heard === null) {
                continue;
            }
            [$run, $what] = $heard;
            $at = $inspection->survey()->firstInstant($run);
            yield Finding::of(
                $this->about(),
                "{$inspection->name($shown->number)} is shown to help services, and {$inspection->name($what)} speaks to whoever calls back before anybody rings",
                "It is shown of {$inspection->names($shown->users)}.",
                $shown->number,
            )->at('destination')->counting(count($shown->users))->shownBy(['to' => $shown->number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)]);
        }
    }

    public function samples(): Samples
    {
        $number = static fn (string $to): array => ['key' => Samples::NUMBER, 'destination' => $to, 'site' => 'site:quay'];
        $answer = static fn (string $when): array => ['item' => $when, 'when' => $when, 'then' => 'user:a'];

        return Samples::of([
            'trunks' => [['key' => 'main']],
            'routes' => [['key' => 'help', 'name' => 'Help', 'digits' => '911', 'emergency' => true, 'trunks' => ['trunk:main']]],
            'mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]],
            'users' => [['key' => 'a', 'name' => ['first' => 'Ines', 'last' => 'Marsh'], 'site' => 'site:quay', 'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']]]],
            'attendants' => [['key' => 'main', 'name' => 'Greeting', 'schedule' => 'schedule:week', 'answers' => [$answer('open'), $answer('closed')]]],
            'schedules' => [['key' => 'week', 'weekly' => [['item' => 'days', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00']]]],
            'numbers' => [$number('user:a')],
            'sites' => [['key' => 'quay', 'name' => 'Quay End', 'emergency' => ['callback' => 'number:' . Samples::NUMBER]]],
        ], ['numbers' => [$number('attendant:main')]]);
    }
}
