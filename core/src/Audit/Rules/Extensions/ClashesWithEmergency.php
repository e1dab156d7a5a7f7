<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\EmergencyNumbers;

/** An extension that cannot be told from a call for help. */
final readonly class ClashesWithEmergency implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.clashes-with-emergency',
            Severity::Error,
            'emergency numbers by country: libphonenumber, short number metadata; that they go first: common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $plan = ExtensionPlan::of($inspection->book);
        foreach ($plan->holders as $extension => [$holder]) {
            $emergency = EmergencyNumbers::beginning((string) $extension, $this->country($inspection, $holder));
            if ($emergency !== null) {
                yield Found::of(
                    [
                        'extension' => $extension,
                        'holder' => $inspection->names->said($holder),
                        'case' => $emergency === (string) $extension ? 'same' : 'longer',
                        'emergency' => $emergency,
                        'place' => strlen($emergency),
                    ],
                    $holder,
                )->at('extension')->fixedBy($this->elsewhere($inspection, $plan, (string) $extension, $holder));
            }
        }
    }

    private function country(Inspection $inspection, BookObject $holder): ?string
    {
        $site = $holder instanceof User
            || $holder instanceof Group
            || $holder instanceof Attendant
            || $holder instanceof Line
            ? $inspection->find($holder->site, Site::class)
            : null;

        return $site->address['country'] ?? $inspection->book->tenant->region;
    }

    private function elsewhere(Inspection $inspection, ExtensionPlan $plan, string $extension, BookObject $holder): ?Fix
    {
        $lengths = array_filter(
            array_map(strval(...), array_keys($plan->holders)),
            static fn (string $other): bool => strlen($other) === strlen($extension) && $other !== $extension,
        );
        $free = $plan->free($lengths === [] ? '2' . str_repeat('0', strlen($extension) - 1) : min($lengths), 1)[0]
            ?? null;

        return $free === null || EmergencyNumbers::beginning($free, $this->country($inspection, $holder)) !== null
            ? null
            : Fix::set("Give {$inspection->names->of($holder)} {$free}", $holder, 'extension', $free);
    }
}
