<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Roster\FindDesk;
use App\Roster\Found;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the command box jumps to: objects of every customer, by words or digits. */
final class FindController extends Controller
{
    public function __invoke(Request $request, FindDesk $desk): JsonResponse
    {
        /** @var array{words: string} $given */
        $given = $request->validate(['words' => ['required', 'string', 'max:100']]);

        return new JsonResponse(['found' => array_map(
            static fn (Found $found): array => (array) $found,
            $desk->find($this->technician($request)->id, $given['words']),
        )]);
    }
}
