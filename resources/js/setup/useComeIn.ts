import { useNavigate } from 'react-router';
import { queryClient } from '../api/queries';
import { forgetPages } from '../device/keeping';

/** Into the group that has just been set up: what this device kept of another is not its own. */
export function useComeIn(): () => Promise<void> {
  const navigate = useNavigate();
  return async () => {
    await forgetPages();
    await queryClient.resetQueries();
    void navigate('/');
  };
}
