<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** Every rule there is. A rule is a class in `Rules/<Area>/` and a line here. */
final class RuleBook
{
    /** @return list<Rule> by area */
    public static function all(): array
    {
        return [
            new Rules\Chains\Hidden(),
            new Rules\Drift\CallerImpact(),
            new Rules\Drift\FieldDiffers(),
            new Rules\Emergency\AddressMissing(),
            new Rules\Extensions\ClashesWithEmergency(),
            new Rules\Extensions\DuplicateExtension(),
            new Rules\Flow\DeadEnd(),
            new Rules\Flow\LoopConditional(),
            new Rules\Flow\LoopInescapable(),
            new Rules\Flow\PromiseBroken(),
            new Rules\Groups\EmptyGroup(),
            new Rules\Groups\LimitShorterThanOnePass(),
            new Rules\Groups\MemberTwice(),
            new Rules\Groups\NobodySignedIn(),
            new Rules\Groups\NoWayOut(),
            new Rules\Groups\OutsideMailboxSteals(),
            new Rules\Groups\SharesNot100(),
            new Rules\Hours\AnswerMissing(),
            new Rules\Hours\ContinuousBlock(),
            new Rules\Hours\HolidayAnswerMissing(),
            new Rules\Hours\HolidaysPast(),
            new Rules\Hours\HolidaysRunOut(),
            new Rules\Hours\NeverOpen(),
            new Rules\Hours\OvernightIntoClosedDate(),
            new Rules\Hours\ZoneDiffersFromSite(),
            new Rules\Menus\KeyToNowhere(),
            new Rules\Menus\NoPrompt(),
            new Rules\Menus\ScriptAnnouncesUnsetKey(),
            new Rules\Menus\ScriptOmitsKey(),
            new Rules\Menus\SilenceNowhere(),
            new Rules\Menus\WrongKeysGoRound(),
            new Rules\Numbers\MainMissing(),
            new Rules\Numbers\TemporaryLeftOver(),
            new Rules\Numbers\Unrouted(),
            new Rules\Users\ForwardRefusedByTrunk(),
            new Rules\Users\LeaverStillRouted(),
            new Rules\Users\NoAnswerNowhere(),
            new Rules\Users\NoDevice(),
            new Rules\Users\OutsideLegMailboxTakesCall(),
        ];
    }
}
