<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\CallRecords\CallReader;
use App\Desk\Books;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\CallRecords\CallsMade;
use Jaunty\Core\CallRecords\NumberForms;
use Jaunty\Core\CallRecords\RungTally;
use Jaunty\Core\CallRecords\Tally;

/** Calls that were made: added up where decisions are made, and as they are for other programs. */
final class CallRecordsController extends Controller
{
    public function __construct(private readonly CallReader $reader, private readonly Books $books)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return $this->told($request, $customer);
    }

    /** Reads on from the last call that was read. */
    public function read(Request $request, string $customer): JsonResponse
    {
        $this->reader->read($this->technician($request)->id, $customer);

        return $this->told($request, $customer);
    }

    public function csv(Request $request, string $customer): Response
    {
        [$history] = $this->kept($request, $customer);
        $this->reader->exported($this->technician($request)->id, $customer);
        $file = fopen('php://temp', 'w+b');
        if ($file === false) {
            throw new \RuntimeException('no temporary file');
        }
        fputcsv($file, ['at', 'from', 'called', 'outcome', 'target', 'groups', 'rang', 'waited', 'talked'], escape: '');
        foreach ($history->records as $record) {
            fputcsv(
                $file,
                [
                    gmdate('Y-m-d\TH:i:s\Z', $record->at), self::cell($record->from ?? ''), $record->called,
                    $record->outcome->value, $record->target ?? '', implode(' ', $record->groups),
                    implode(' ', $record->rang), (string) $record->waited, (string) $record->talked,
                ],
                escape: '',
            );
        }
        rewind($file);

        return new Response((string) stream_get_contents($file), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"calls-{$customer}.csv\"",
        ]);
    }

    /** A spreadsheet takes what begins with a plus for a sum. */
    private static function cell(string $number): string
    {
        return $number === '' ? '' : "'{$number}";
    }

    private function told(Request $request, string $customer): JsonResponse
    {
        [$history, $readAt] = $this->kept($request, $customer);
        $tallies = static fn (array $by): array => array_map(
            static fn (string $of, Tally $tally): array => ['of' => $of] + self::shown($tally),
            array_map(strval(...), array_keys($by)),
            array_values($by),
        );
        $users = $history->byUser();

        return new JsonResponse([
            'readAt' => $readAt, 'whole' => self::shown($history->whole()), 'mostAtOnce' => $history->mostAtOnce(),
            'numbers' => $tallies($history->byNumber()), 'groups' => $tallies($history->byGroup()),
            'forms' => array_map(
                static fn (NumberForms $forms): array => [
                    'trunk' => (string) Reference::of($forms->trunk), 'calls' => array_sum($forms->calls),
                    'example' => $forms->example, 'says' => $forms->trunk->deliversAs->value,
                    'instead' => $forms->instead()?->value,
                ],
                NumberForms::of($this->books->edited($this->technician($request)->id, $customer), $history),
            ),
            'users' => array_map(
                static fn (string $of, RungTally $tally): array => [
                    'of' => $of, 'rang' => $tally->rang, 'answered' => $tally->answered,
                    'lastAnswered' => self::instant($tally->lastAnswered),
                ],
                array_map(strval(...), array_keys($users)),
                array_values($users),
            ),
        ]);
    }

    /** @return array{CallsMade, ?string} */
    private function kept(Request $request, string $customer): array
    {
        /** @var array{days?: int|string|null} $given */
        $given = $request->validate(
            ['days' => ['bail', 'nullable', 'integer', 'min:1', 'max:' . $this->reader->keptDays()]],
        );

        return $this->reader->made(
            $this->technician($request)->id,
            $customer,
            (int) ($given['days'] ?? $this->reader->keptDays()),
        );
    }

    /** @return array<string, int|string|null> */
    private static function shown(Tally $tally): array
    {
        return ['lastAnswered' => self::instant($tally->lastAnswered)] + $tally->toArray();
    }

    private static function instant(?int $at): ?string
    {
        return $at === null ? null : gmdate('Y-m-d\TH:i:s\Z', $at);
    }
}
