<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Problem\FieldFault;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\TableReader;

/** How answers were read, and what is wrong with them. */
final class AnswersResource
{
    /**
     * @param  array<string, string>  $faults  by slot, or slot, row and column
     * @return array<string, mixed>
     */
    public static function of(Answers $answers, array $faults): array
    {
        return [
            'asked' => $answers->asked,
            'readAs' => (object) $answers->readAs,
            'tables' => (object) array_map(
                static fn (array $rows): array => array_map(static fn (array $row): object => (object) $row, $rows),
                $answers->shown(),
            ),
            'faults' => array_map(static fn (FieldFault $fault): array => $fault->toArray(), self::faults($faults)),
        ];
    }

    /**
     * @param  array<string, string>  $faults
     * @return list<FieldFault>
     */
    public static function faults(array $faults): array
    {
        return array_map(
            static fn (string $slot, string $message): FieldFault => new FieldFault(
                $message,
                $slot === 'template' ? '/template' : "/answers/{$slot}",
                offer: TableReader::offerIn($message),
            ),
            array_keys($faults),
            $faults,
        );
    }
}
