import { Menu } from "@mantine/core";
import { Link } from "react-router";
import { usePortfolio } from "../api/queries";
import { IconChevronDown } from "../parts/icons";
import css from "./PropertySwitcher.module.css";

/** The property's name; opened, all others. */
export function PropertySwitcher({ propertyId }: { propertyId?: number }) {
  const portfolio = usePortfolio();
  const current = portfolio.data?.find((standing) => standing.property.id === propertyId);
  return (
    <Menu position="bottom-start" width={280}>
      <Menu.Target>
        <button type="button" className={css.switcher} aria-label="Choose a property">
          <svg className={css.mark} viewBox="0 0 32 20" aria-hidden="true">
            <path d="M2 16c7 0 7-12 14-12s7 12 14 12" />
          </svg>
          <span className={css.names}>
            <span className={css.client}>{current?.clientName ?? "Lucid Sweep"}</span>
            <span className={css.property}>{current?.property.name ?? "Portfolio"}</span>
          </span>
          <IconChevronDown size={16} />
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item component={Link} to="/">
          Portfolio: all clients
        </Menu.Item>
        {portfolio.data && portfolio.data.length > 0 && <Menu.Divider />}
        {portfolio.data?.map((standing) => (
          <Menu.Item key={standing.property.id} component={Link} to={`/p/${standing.property.id}/gather`}>
            <span className={css.client}>{standing.clientName}</span>
            <br />
            {standing.property.name}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
