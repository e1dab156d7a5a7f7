<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Book\Applications;
use App\Book\DraftDesk;
use App\Book\DraftView;
use App\Book\KnownNumbers;
use App\Models\TenantRow;
use App\Switching\Switches;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\UnusableAnswers;

/**
 * A customer's template once more, with other answers or in a newer version: what it would make now, against what it
 * made then, merged onto the book as it stands. The result is a draft like any other.
 */
final readonly class ApplyingAgain
{
    public function __construct(
        private TakingOn $takingOn,
        private Switches $switches,
        private Applications $applications,
        private DraftDesk $drafts,
        private KnownNumbers $numbers,
    ) {
    }

    /**
     * @param  array<string, mixed>  $given
     *
     * @throws UnusableAnswers
     */
    public function propose(TenantRow $tenant, string $technicianId, array $given): DraftView
    {
        $last = $this->applications->newest($tenant->id)
            ?? throw new UnusableAnswers(['template' => 'this customer was not taken on from a template']);
        $made = BookFormat::fromValue($last->made);
        $found = $this->takingOn->template($last->version->template()->key);
        $answers = Answers::check($found['template'], $given, $this->takingOn->circumstances());
        $expansion = $this->takingOn->expansion(
            $found['template'],
            $answers,
            $tenant->id,
            $this->switches->of($tenant),
        );
        if ($expansion->book->tenant->key !== $made->tenant->key) {
            throw new UnusableAnswers(
                ['name' => "the customer's key is {$made->tenant->key} for good; change the name in the book"],
            );
        }
        $faults = [];
        foreach ($expansion->book->all(Number::class) as $number) {
            $whyNot = $this->numbers->whyNot($number->key, $number->status);
            if ($whyNot !== null) {
                $faults[$answers->placeOf($number->key) ?? 'template'] = $whyNot;
            }
        }
        if ($faults !== []) {
            throw new UnusableAnswers($faults);
        }
        $changes = Diff::between($made, $expansion->book);

        return $this->drafts->propose($tenant, $technicianId, ChangeSet::of(...$changes->operations), [
            'version' => $found['version']->id, 'answers' => $answers->kept($given),
            'made' => BookFormat::toValue($expansion->book), 'origins' => $expansion->origins,
        ]);
    }
}
