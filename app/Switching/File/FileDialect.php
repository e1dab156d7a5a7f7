<?php

declare(strict_types=1);

namespace App\Switching\File;

use App\Switching\File\Fields\ClockNumber;
use App\Switching\File\Fields\Initials;
use App\Switching\File\Fields\MinutesAndSeconds;
use App\Switching\File\Fields\Target;
use App\Switching\File\Fields\Targets;
use App\Switching\File\Fields\Telephone;
use App\Switching\File\Fields\YesNo;
use App\Switching\Table\Dialect;
use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Fields\Items;
use App\Switching\Table\Fields\Nested;
use App\Switching\Table\Fields\Plain;
use App\Switching\Table\Fields\Pointer;
use App\Switching\Table\Fields\Pointers;
use App\Switching\Table\Fields\Word;
use App\Switching\Table\Marks;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/** The words of the exports: sheets of rows, yes and no, minutes and seconds, telephone numbers as URIs (RFC 3966). */
final class FileDialect implements Dialect
{
    /** @var array<string, string> sheets by kind, owners before mailboxes */
    public const SHEETS = [
        'site' => 'Offices', 'number' => 'Numbers', 'user' => 'People', 'group' => 'Teams', 'attendant' => 'Greetings',
        'menu' => 'Choices', 'schedule' => 'Opening', 'calendar' => 'Feasts', 'mailbox' => 'Boxes',
        'announcement' => 'Notices', 'prompt' => 'Voices',
    ];

    private const REACH = [
        'national' => 'COUNTRY', 'internal' => 'HOUSE', 'local' => 'TOWN', 'international' => 'WORLD',
    ];

    public function held(): array
    {
        return array_map(Kind::from(...), array_keys(self::SHEETS));
    }

    public function of(Kind $kind): array
    {
        return match ($kind) {
            Kind::Tenant => [
                'name' => new Plain('Company'), 'zone' => new Plain('Time zone'), 'region' => new Plain('Region'),
                'subdivision' => new Plain('Province'), 'language' => new Plain('Language'),
                'mainNumber' => new Pointer('Main number'), 'operator' => new Target('Operator'),
                'secondsPerRing' => new Plain('Ring'), 'extensionLength' => new Plain('Digits inside'),
                'licences' => new Plain('Seats', []), 'outsidePrefix' => new Plain('For outside'),
                'defaults' => new Nested('Otherwise', [
                    'noAnswer' => new Targets('nobody'), 'busy' => new Targets('engaged'),
                    'unreachable' => new Targets('gone'), 'doNotDisturb' => new Targets('away'),
                ]),
            ],
            Kind::Site => [
                'name' => new Plain('Office'), 'zone' => new Plain('Time zone'),
                'address' => new Nested('Address', [
                    'street' => new Plain('Street'), 'city' => new Plain('Town'),
                    'subdivision' => new Plain('Province'),
                    'postcode' => new Plain('Postcode'), 'country' => new Plain('Country'),
                ]),
                'extensionRanges' => new Items('Digits inside', [
                    'item' => new Plain('row'), 'from' => new Plain('from'), 'to' => new Plain('to'),
                ]),
                'emergency' => new Nested('Emergency', [
                    'callback' => new Pointer('ring back'),
                    'callbackUse' => new Word('shown', ['whenNone' => 'IF NONE', 'always' => 'ALWAYS']),
                    'notify' => new Plain('tell', []),
                ]),
            ],
            Kind::Number => [
                'label' => new Plain('Label'), 'enabled' => new YesNo('In use'), 'destination' => new Target('Goes to'),
                'site' => new Pointer('Office'), 'callerName' => new Plain('Shown as'),
                'messaging' => new YesNo('Texts'),
            ],
            Kind::User => self::person(),
            Kind::Group => self::team(),
            Kind::Attendant => [
                'extension' => new Plain('Inside'), 'name' => new Plain('Greeting'), 'site' => new Pointer('Office'),
                'zone' => new Plain('Time zone'), 'language' => new Plain('Language'), 'enabled' => new YesNo('In use'),
                'schedule' => new Pointer('Opening'), 'onwardClass' => new Word('Reach', self::REACH),
                'answers' => new Items('Says', [
                    'item' => new Plain('row'), 'when' => new Plain('when'), 'greeting' => new Pointer('voice'),
                    'then' => new Target('then'),
                ]),
            ],
            Kind::Menu => [
                'name' => new Plain('Choice'), 'site' => new Pointer('Office'), 'prompt' => new Pointer('Voice'),
                'keys' => new Items('Keys', [
                    'item' => new Plain('row'), 'to' => new Target('to'), 'label' => new Plain('label'),
                ]),
                'plays' => new Plain('Times'), 'wait' => new MinutesAndSeconds('Waits'),
                'invalidPrompt' => new Pointer('Voice if wrong'), 'invalidAllowed' => new Plain('Wrong at most'),
                'invalid' => new Target('If wrong'), 'silence' => new Target('If silent'),
                'transfer' => new Word('Hands over', ['comesBack' => 'HOLDS', 'blind' => 'LETS GO']),
                'onwardClass' => new Word('Reach', self::REACH),
            ],
            Kind::Schedule => [
                'name' => new Plain('Opening'), 'fixedZone' => new Plain('Time zone'),
                'weekly' => new Items('Week', [
                    'item' => new Plain('row'), 'days' => new Initials('days'), 'from' => new ClockNumber('from'),
                    'to' => new ClockNumber('to'), 'span' => new Plain('span'),
                ]),
                'exceptions' => new Items('But', [
                    'item' => new Plain('row'), 'from' => new Plain('first'), 'to' => new Plain('last'),
                    'name' => new Plain('name'), 'announcedAs' => new Plain('as'),
                    'hours' => new Items('open', ['from' => new ClockNumber('from'), 'to' => new ClockNumber('to')]),
                ]),
                'calendars' => new Pointers('Feasts'),
            ],
            Kind::Calendar => [
                'name' => new Plain('Feasts'), 'region' => new Plain('Region'), 'knownUntil' => new Plain('Until'),
                'holidays' => new Items('Days', [
                    'item' => new Plain('row'), 'name' => new Plain('name'), 'date' => new Plain('date'),
                    'whenWeekend' => new Word('if weekend', [
                        'actual' => 'STAYS', 'substitute' => 'MOVES', 'both' => 'BOTH',
                    ]),
                    'rule' => new Plain('rule'),
                ]),
            ],
            Kind::Mailbox => [
                'name' => new Plain('Box'), 'extension' => new Plain('Inside'), 'owner' => new Pointer('Person'),
                'enabled' => new YesNo('In use'), 'greeting' => new Pointer('Voice'), 'zero' => new Target('On 0'),
                'full' => new YesNo('Full'), 'notify' => new Plain('Tell', []),
                'attachAudio' => new YesNo('With sound'), 'deleteAfterMail' => new YesNo('Then gone'),
                'transcribe' => new YesNo('In writing'),
            ],
            Kind::Announcement => [
                'name' => new Plain('Notice'), 'prompt' => new Pointer('Voice'), 'then' => new Target('Then'),
            ],
            Kind::Prompt => [
                'name' => new Plain('Voice'), 'script' => new Plain('Words'), 'language' => new Plain('Language'),
                'audio' => new Plain('Sound'), 'standIn' => new YesNo('For now'),
            ],
            default => [],
        };
    }

    public function named(Reference $object): array
    {
        return match ($object->kind) {
            Kind::Tenant => ['Customer' => $object->key],
            Kind::Number => ['Number' => "tel:{$object->key}"],
            default => [],
        };
    }

    public function marks(Kind $kind, array $fields): Marks
    {
        $text = static fn (string $field): ?string => is_string($fields[$field] ?? null) ? $fields[$field] : null;

        return new Marks(
            $kind === Kind::Number ? substr((string) $text('Number'), strlen('tel:')) : null,
            $text('Inside'),
            $kind === Kind::Mailbox ? $text('Person') : null,
            $text(match ($kind) {
                Kind::Site => 'Office', Kind::Group => 'Team', Kind::Attendant => 'Greeting', Kind::Menu => 'Choice',
                Kind::Schedule => 'Opening', Kind::Calendar => 'Feasts', Kind::Mailbox => 'Box',
                Kind::Announcement => 'Notice', Kind::Prompt => 'Voice', default => 'Label',
            }),
        );
    }

    public function secret(string $field, string $value): array
    {
        throw new \LogicException('this switch takes no secrets, and says so');
    }

    /** @return array<string, FieldCodec> */
    private static function person(): array
    {
        $rule = [
            'legs' => new Plain('phones'),
            'ring' => new Word('ring', ['together' => 'AT ONCE', 'inOrder' => 'IN TURN']),
            'always' => new Targets('always'), 'doNotDisturb' => new Targets('away'),
            'unreachable' => new Targets('gone'), 'onACall' => new Targets('talking'), 'busy' => new Targets('engaged'),
            'noAnswer' => new Targets('nobody'),
        ];

        return [
            'extension' => new Plain('Inside'),
            'name' => new Nested('Name', ['first' => new Plain('first'), 'last' => new Plain('last')]),
            'display' => new Plain('Shown as'), 'email' => new Plain('Mail'), 'site' => new Pointer('Office'),
            'zone' => new Plain('Time zone'), 'schedule' => new Pointer('Opening'),
            'status' => new Word('Is', ['active' => 'HERE', 'suspended' => 'HELD', 'leaver' => 'LEFT']),
            'callingClass' => new Word('Reach', self::REACH), 'callWaiting' => new YesNo('Second call'),
            'mailbox' => new Pointer('Box'), 'callerId' => new Pointer('Shows'),
            'showsOutside' => new Telephone('Shows instead'), 'withholds' => new YesNo('Hides'),
            'licence' => new Plain('Seat', 'user'),
            'legs' => new Items('Phones', [
                'item' => new Plain('row'),
                'kind' => new Word('sort', [
                    'desk' => 'DESK', 'soft' => 'COMPUTER', 'mobileApp' => 'APP', 'outside' => 'ELSEWHERE',
                ]),
                'number' => new Telephone('number'), 'hardware' => new Plain('hardware'),
                // It keeps no list of telephones: which one is meant stands there as text.
                'device' => new Plain('telephone'),
                'seconds' => new MinutesAndSeconds('rings'), 'forGroups' => new YesNo('for teams'),
                'confirm' => new YesNo('asks'), 'mailboxAfter' => new Plain('its box after'),
            ]),
            'handling' => new Nested('Calls', [
                'open' => new Nested('open', $rule), 'closed' => new Nested('closed', $rule),
                'holiday' => new Nested('holiday', $rule),
            ]),
            'emergency' => new Nested('Emergency', [
                'floor' => new Plain('floor'), 'room' => new Plain('room'), 'address' => new Plain('address'),
            ]),
            'directory' => new Nested('Directory', [
                'listed' => new YesNo('listed'), 'spokenName' => new YesNo('spoken'),
            ]),
        ];
    }

    /** @return array<string, FieldCodec> */
    private static function team(): array
    {
        return [
            'extension' => new Plain('Inside'), 'name' => new Plain('Team'), 'site' => new Pointer('Office'),
            'enabled' => new YesNo('In use'),
            'order' => new Word('Rings', [
                'simultaneous' => 'ALL', 'sequential' => 'IN TURN', 'roundRobin' => 'ROUND', 'longestIdle' => 'RESTED',
                'weighted' => 'BY SHARE',
            ]),
            'members' => new Items('People', [
                'item' => new Plain('row'), 'who' => new Target('who'), 'tier' => new Plain('rank', 1),
                'share' => new Plain('share'), 'signedIn' => new YesNo('signed in'), 'confirm' => new YesNo('asks'),
            ]),
            'ringsEach' => new Plain('Rings each'), 'rotations' => new Plain('Rounds'),
            'noAnswerSeconds' => new MinutesAndSeconds('Gives up'), 'skipBusy' => new YesNo('Passes busy'),
            'schedule' => new Pointer('Opening'),
            'otherwise' => new Nested('Otherwise', [
                'closed' => new Target('closed'), 'holiday' => new Target('holiday'),
                'closedByHand' => new Target('shut'), 'nobodySignedIn' => new Target('nobody there'),
                'allUnreachable' => new Target('gone'), 'allBusy' => new Target('engaged'),
                'noAnswer' => new Target('nobody'), 'queueFull' => new Target('full'), 'exit' => new Target('left'),
            ]),
            'mailbox' => new Pointer('Box'), 'onwardClass' => new Word('Reach', self::REACH),
            'prefix' => new Plain('Tag'),
        ];
    }
}
