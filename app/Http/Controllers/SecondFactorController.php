<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Activity\ActivityLog;
use App\Models\Technician;
use App\Security\SecondFactor;
use App\Security\SignedIn;
use App\Security\Totp;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** A technician's own second factor: begin, confirm with a first code, switch off with the password. */
final class SecondFactorController extends Controller
{
    public function __construct(
        private readonly SecondFactor $secondFactor,
        private readonly Hasher $hasher,
        private readonly SignedIn $signedIn,
        private readonly ActivityLog $log,
    ) {
    }

    public function store(Request $request): JsonResponse
    {
        $technician = $this->withPassword($request);
        if ($technician->usesSecondFactor()) {
            throw ValidationException::withMessages(
                ['password' => 'The second factor is on already. Switch it off first to set up another device.'],
            );
        }
        $secret = $this->secondFactor->begin($technician);
        $this->log->note($technician->id, 'began to set up a second factor');

        return new JsonResponse(['secret' => $secret, 'address' => Totp::address($secret, $technician->sign_in)], 201);
    }

    public function update(Request $request): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:10']], [
            'code.required' => 'Enter the six digits your authenticator shows.',
        ]);
        $codes = $this->secondFactor->confirm($this->technician($request), str_replace(' ', '', $given['code']));
        if ($codes === null) {
            throw ValidationException::withMessages(
                ['code' => 'This is not the code of now. Check the device\'s clock, or scan the picture again.'],
            );
        }
        // Other places where this technician is signed in did so without the second factor.
        $request->session()->regenerate(true);
        $this->signedIn->endOthers($this->technician($request), $request->session()->getId());
        $this->log->note($this->technician($request)->id, 'switched the second factor on');

        return new JsonResponse(['recoveryCodes' => $codes]);
    }

    public function destroy(Request $request): Response
    {
        $technician = $this->withPassword($request);
        $this->secondFactor->switchOff($technician);
        $this->log->note($technician->id, 'switched the second factor off');

        return new Response(status: 204);
    }

    private function withPassword(Request $request): Technician
    {
        /** @var array{password: string} $given */
        $given = $request->validate(['password' => ['required', 'string', 'max:200']], [
            'password.required' => 'Enter your password.',
        ]);
        $technician = $this->technician($request);
        if (! $this->hasher->check($given['password'], $technician->password)) {
            throw ValidationException::withMessages(['password' => 'This is not your password.']);
        }

        return $technician;
    }
}
