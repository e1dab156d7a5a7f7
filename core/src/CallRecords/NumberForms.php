<?php

declare(strict_types=1);

namespace Jaunty\Core\CallRecords;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\DeliveredForm;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Trunk;

/** In which form a trunk delivers called numbers, as calls came by it, beside what the book says of it. */
final readonly class NumberForms
{
    /**
     * @param  array<string, int>  $calls  by form
     * @param  ?string  $example  as the last of them came
     */
    private function __construct(public Trunk $trunk, public array $calls, public ?string $example)
    {
    }

    /** @return list<self> a line for each trunk that calls came by */
    public static function of(Book $book, CallsMade $history): array
    {
        $calls = [];
        $examples = [];
        foreach ($history->records as $record) {
            $number = str_starts_with($record->called, 'number:')
                ? $book->find(Reference::parse($record->called))
                : null;
            $form = $number instanceof Number ? self::form($record->cameAs, $number->key) : null;
            // A number that says so itself is not the trunk's doing.
            if (
                $number instanceof Number && $number->trunk !== null && $number->deliveredAs === null && $form !== null
            ) {
                $trunk = (string) $number->trunk;
                $calls[$trunk][$form->value] = ($calls[$trunk][$form->value] ?? 0) + 1;
                $examples[$trunk] = $record->cameAs;
            }
        }
        $forms = [];
        foreach ($book->all(Trunk::class) as $trunk) {
            $reference = (string) Reference::of($trunk);
            if (isset($calls[$reference])) {
                $forms[] = new self($trunk, $calls[$reference], $examples[$reference]);
            }
        }

        return $forms;
    }

    /** @return ?DeliveredForm the form that most calls came in, where the book says another */
    public function instead(): ?DeliveredForm
    {
        $calls = $this->calls;
        arsort($calls);
        $most = DeliveredForm::from((string) array_key_first($calls));

        return $most === $this->trunk->deliversAs ? null : $most;
    }

    private static function form(string $cameAs, string $number): ?DeliveredForm
    {
        return match (true) {
            $cameAs === $number => DeliveredForm::E164,
            "+{$cameAs}" === $number => DeliveredForm::WithoutPlus,
            strlen($cameAs) >= 6 && str_ends_with($number, ltrim($cameAs, '0')) => DeliveredForm::National,
            default => null,
        };
    }
}
