<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Staff;
use App\Activity\ActivityLog;
use App\House\House;
use App\Http\Middleware\EndsInTime;
use App\Http\Resources\SessionResource;
use App\Models\Technician;
use App\Security\SignIn;
use App\Time\Clock;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SessionController extends Controller
{
    public function __construct(
        private readonly Clock $clock,
        private readonly Staff $staff,
        private readonly StatefulGuard $guard,
        private readonly House $house,
        private readonly ActivityLog $log,
    ) {
    }

    public function show(): JsonResponse
    {
        $user = $this->guard->user();

        return $this->answer($user instanceof Technician ? $user : null);
    }

    public function store(Request $request, SignIn $signIn): JsonResponse
    {
        /** @var array{signIn: string, password: string, code?: ?string} $given */
        $given = $request->validate([
            'signIn' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
            'code' => ['nullable', 'string', 'max:20'],
        ], ['signIn.required' => 'Enter your sign-in name.', 'password.required' => 'Enter your password.']);
        $technician = $signIn->check(
            $given['signIn'],
            $given['password'],
            $given['code'] ?? null,
            (string) $request->ip(),
        );
        $request->session()->regenerate(true);
        $request->session()->put(EndsInTime::SINCE, time());
        $this->guard->login($technician);

        return $this->answer($technician);
    }

    /** How times, days and numbers are said to whoever is signed in. */
    public function manner(Request $request): JsonResponse
    {
        /** @var array{clock: string, days: string, numbers: string} $given */
        $given = $request->validate([
            'clock' => ['required', 'in:24,12'],
            'days' => ['required', 'in:dayFirst,monthFirst,yearFirst'],
            'numbers' => ['required', 'in:comma,space,dot'],
        ]);
        $technician = $this->technician($request);
        $before = $technician->only(['clock', 'days', 'numbers']);
        $technician->forceFill($given)->save();
        $changes = array_map(
            static fn (string $path): array => [
                'path' => $path, 'before' => $before[$path], 'after' => $given[$path],
            ],
            ['clock', 'days', 'numbers'],
        );
        $this->log->note($technician->id, 'settled how times and numbers are said', ['changes' => array_values(
            array_filter($changes, static fn (array $each): bool => $each['before'] !== $each['after']),
        )]);

        return $this->answer($technician);
    }

    public function destroy(Request $request): Response
    {
        $this->log->note($this->technician($request)->id, 'signed out');
        $this->guard->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    private function answer(?Technician $technician): JsonResponse
    {
        $may = $technician === null ? ['takeOn' => false, 'bill' => false] : $this->staff->may($technician);

        return new JsonResponse(SessionResource::of(
            $technician,
            $this->clock,
            $may['takeOn'],
            $may['bill'],
            $this->house->settings(),
        ));
    }
}
